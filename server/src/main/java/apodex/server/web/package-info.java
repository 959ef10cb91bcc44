/** What all controllers share: how a refusal is answered, how pages and their files are served, the API's document. */
package apodex.server.web;
