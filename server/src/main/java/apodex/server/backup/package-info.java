/** The whole house in one file, and back. */
package apodex.server.backup;
