/** Briefs: those that come with Apodex, and people's own. */
package apodex.server.briefs;
