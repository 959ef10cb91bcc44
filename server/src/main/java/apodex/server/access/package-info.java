/** Who may do what with which session: one table of all addresses, one component that decides, and how people are let in. */
package apodex.server.access;
