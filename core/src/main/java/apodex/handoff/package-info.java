/**
 * From a session and what a receiver gets to the list of files: {@code Session + Handoff -> Plan -> taps}.
 *
 * <p>A handoff never changes its session. {@link apodex.handoff.Planner} makes the plan,
 * {@link apodex.handoff.Plan#taps} what the walk needs. Depends on {@code signal}, {@code naming} and what lies
 * below them.
 */
package apodex.handoff;
