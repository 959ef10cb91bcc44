/**
 * Runs: asking for one, following it, ending it, and the persistent job that prints, reads back and packs. A run
 * belongs to no process: whichever node finds it waiting, or left behind by a node that died, carries it out.
 */
package apodex.server.runs;
