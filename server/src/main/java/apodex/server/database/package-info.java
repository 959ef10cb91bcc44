/** The private MariaDB server: made, started and stopped with the application. */
package apodex.server.database;
