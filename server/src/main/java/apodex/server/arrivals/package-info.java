/** How files come in: piece by piece and resumable, or as one upload; and how far they have been looked into. */
package apodex.server.arrivals;
