/** Intakes: what came from somebody else, examined and put right before it becomes a session. */
package apodex.server.intakes;
