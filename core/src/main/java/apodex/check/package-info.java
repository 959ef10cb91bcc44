/**
 * Looking a session over before it leaves: one {@link apodex.check.Check} per fault, listed in
 * {@link apodex.check.Checks}. A check tells what it found with its evidence and offers remedies; the person decides.
 * May depend on everything up to {@code handoff}.
 */
package apodex.check;
