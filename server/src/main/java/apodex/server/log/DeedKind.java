package apodex.server.log;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What can be done that is worth knowing later. */
public enum DeedKind {
    @JsonProperty("signedIn")
    SIGNED_IN,
    @JsonProperty("signInFailed")
    SIGN_IN_FAILED,
    @JsonProperty("signedOut")
    SIGNED_OUT,
    /** Pass phrase, passkeys. */
    @JsonProperty("changedKeys")
    CHANGED_KEYS,
    /** A pickup link or an invitation. */
    @JsonProperty("madeLink")
    MADE_LINK,
    @JsonProperty("endedLink")
    ENDED_LINK,
    @JsonProperty("joined")
    JOINED,
    @JsonProperty("changedMembers")
    CHANGED_MEMBERS,
    /** Opened through a link. */
    @JsonProperty("opened")
    OPENED,
    @JsonProperty("fetched")
    FETCHED,
    @JsonProperty("changed")
    CHANGED,
    @JsonProperty("removed")
    REMOVED
}
