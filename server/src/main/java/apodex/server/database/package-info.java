/** The private MariaDB server and how values of the core are kept in its columns. */
package apodex.server.database;
