/** Levels of files that are not printed yet, found out in the background. */
package apodex.server.levels;
