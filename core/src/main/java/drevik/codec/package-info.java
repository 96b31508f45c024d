/**
 * Documents and JSON, and the only room that knows JSON. What Drevik wrote itself is always opened,
 * whatever rule came later; what is foreign is looked at from end to end first. {@code Migration}
 * alone knows old versions.
 */
package drevik.codec;
