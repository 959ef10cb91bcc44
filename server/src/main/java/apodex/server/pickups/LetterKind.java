package apodex.server.pickups;

/** What a message is about. */
enum LetterKind {
    /** The link itself, to the receiver. */
    LINK,
    /** To whoever made it: fetched for the first time. */
    FETCHED,
    ARRIVED,
    PROBLEM
}
