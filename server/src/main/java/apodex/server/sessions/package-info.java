/** Sessions over HTTP: bringing recordings in, listing, editing, undo and redo. */
package apodex.server.sessions;
