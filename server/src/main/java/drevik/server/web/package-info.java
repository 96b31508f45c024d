/**
 * What holds for all of HTTP: who gets in, how large a body may be, how a refusal is told, the
 * description of the interface, the pages themselves.
 */
package drevik.server.web;
