/**
 * The session: song facts, recordings, rows and clips as one immutable value, and the typed edits that make the
 * next one. A session never changes; {@link apodex.session.SessionEdit#applyTo} gives a new one or a refusal.
 *
 * <p>Depends on {@code time} and {@code audio}. {@link apodex.session.SessionDocument} is its JSON form.
 */
package apodex.session;
