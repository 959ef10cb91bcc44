/** What takes the room on the disk, whose it is, how much they may take, and how long runs are kept. */
package apodex.server.space;
