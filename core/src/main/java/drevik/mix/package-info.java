/**
 * The document: immutable records of a template or session and of all that is in it. What may stand
 * in it is said in {@code Validity}; routing and its loops are not known here.
 */
package drevik.mix;
