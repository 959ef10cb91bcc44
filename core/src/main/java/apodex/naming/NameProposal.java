package apodex.naming;

import apodex.session.Role;

/**
 * What a row could be called.
 *
 * @param row      its id
 * @param now      what it is called
 * @param proposed what it could be called
 * @param note     what would move from the name to the note; may be empty
 * @param role     what it seems to be in the music; its own role where that was said
 */
public record NameProposal(String row, String now, String proposed, String note, Role role) {}
