/** Which processes there are, and what each of them does. */
package apodex.server.nodes;
