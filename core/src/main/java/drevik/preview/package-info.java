/** What an edit would do, before it is made. */
package drevik.preview;
