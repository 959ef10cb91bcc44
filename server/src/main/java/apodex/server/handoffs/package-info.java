/** Handoffs over HTTP: a session prepared for a receiver, and the plan that follows from it. */
package apodex.server.handoffs;
