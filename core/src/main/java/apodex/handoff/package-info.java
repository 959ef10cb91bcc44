/**
 * From a session and what a receiver gets to the list of files: {@code Session + Handoff -> Plan -> taps}.
 *
 * <p>A handoff never changes its session. {@link apodex.handoff.Planner} makes the plan,
 * {@link apodex.handoff.Plan#taps} what the walk needs. {@link apodex.handoff.Outgoing} is the session as it goes out,
 * with what follows from its routing found out once; {@link apodex.handoff.Cover} finds the rows that together are the
 * mix. Depends on {@code signal}, {@code naming} and what lies
 * below them.
 */
package apodex.handoff;
