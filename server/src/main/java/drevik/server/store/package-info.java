/**
 * The data folder: contents of audio by their hash, space left, and the database brought up to date
 * before anything else looks at it.
 */
package drevik.server.store;
