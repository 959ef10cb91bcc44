/**
 * Where everything lies that nodes share: in a folder of one process, or in a store that speaks S3 and any number of nodes use. What is
 * here is written once, appears whole or not at all, and is removed by who knows that nobody has it, never by its age.
 */
package apodex.server.storage;
