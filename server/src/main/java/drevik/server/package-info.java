/** The application: what it is started with, and the refusals that every room speaks of. */
package drevik.server;
