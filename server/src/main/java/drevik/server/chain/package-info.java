/** Kept chains on the shelf, over HTTP and in the database. */
package drevik.server.chain;
