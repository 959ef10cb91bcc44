/** Recordings over HTTP: how they look at any scale. */
package apodex.server.recordings;
