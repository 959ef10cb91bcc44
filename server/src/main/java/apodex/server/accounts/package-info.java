/** Who is at the door: at one's own desk nobody signs in; where others can come, everybody does. */
package apodex.server.accounts;
