/**
 * Apodex over HTTP: a package per feature, each with its controller and its mapper. Speaks the core's records as
 * JSON. Start at {@link apodex.server.Apodex}.
 */
package apodex.server;
