/** What there is to choose from: effects and instruments with their settings. */
package apodex.server.catalogue;
