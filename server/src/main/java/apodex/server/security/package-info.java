/** How the rules of the house are put to Spring Security: login sessions, tokens against foreign pages, passkeys. */
package apodex.server.security;
