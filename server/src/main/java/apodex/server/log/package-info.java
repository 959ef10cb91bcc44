/** Who did what, for those whose it is. */
package apodex.server.log;
