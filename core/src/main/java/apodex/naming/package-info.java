/**
 * Names of files and parcels that every receiver's system accepts. Depends on {@code session} and {@code time}.
 */
package apodex.naming;
