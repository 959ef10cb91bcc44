/** Sound of a session as it stands, streamed while the engine is still at work on the rest. */
package apodex.server.listening;
