/**
 * The session: song facts, tempo map, recordings, rows with takes, clips, inserts, faders, moves, sends and routing as one
 * immutable value, and the typed edits that make the next one. A session never changes;
 * {@link apodex.session.SessionEdit#applyTo} gives a new one or a refusal, and {@link apodex.session.SessionRules} holds
 * what every session keeps to.
 *
 * <p>Depends on {@code time}, {@code audio}, {@code effect} and {@code instrument}, whose settings and parts its rules know.
 * {@link apodex.session.SessionDocument} is its JSON form.
 */
package apodex.session;
