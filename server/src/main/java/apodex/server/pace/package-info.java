/** How long work takes on this machine. */
package apodex.server.pace;
