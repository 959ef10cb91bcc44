/** Messages that leave the house, or lie in the outbox where there is no mail server. */
package apodex.server.mail;
