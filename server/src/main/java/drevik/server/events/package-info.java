/** Who listens to what happens: open pages, told of new revisions and of progress. */
package drevik.server.events;
