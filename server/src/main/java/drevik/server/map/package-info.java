/** Kept category maps on the shelf, over HTTP and in the database. */
package drevik.server.map;
