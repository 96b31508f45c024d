/** The templates and chains that ship, written in Java over the core's records. */
package drevik.starters;
