/** What takes up the disk, what can be removed, and for how long it can be brought back. */
package drevik.server.space;
