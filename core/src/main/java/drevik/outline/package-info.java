/**
 * A Mix's hierarchy as indented text: written, read, completed. The grammar is described in {@code
 * docs/formats/outline.md}.
 */
package drevik.outline;
