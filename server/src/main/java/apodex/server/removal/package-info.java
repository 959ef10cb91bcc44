/** Sessions, handoffs and runs that are to be gone, with all that lies on the disk of them. */
package apodex.server.removal;
