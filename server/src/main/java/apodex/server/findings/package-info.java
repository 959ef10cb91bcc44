/** What checks find in a session, measured in the background; what people decide to leave; names that are proposed. */
package apodex.server.findings;
