package apodex.session;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * A share of a row's signal on its way to a return.
 *
 * @param to      the return's id
 * @param levelDb its level
 * @param from    where on the row it is taken
 */
public record Send(String to, double levelDb, From from) {
    public Send {
        from = from == null ? From.AFTER_FADER : from;
    }

    /** Where a send is taken. */
    public enum From {
        /** After the inserts, whatever fader, pan and mute do; a mono row goes to the middle at unity. */
        @JsonProperty("beforeFader")
        BEFORE_FADER,
        /** After fader, pan and mute. */
        @JsonProperty("afterFader")
        AFTER_FADER
    }
}
