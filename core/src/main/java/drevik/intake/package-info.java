/**
 * A delivery of files as a whole: what came, what its names and its sound say, and where each file
 * would go. Ties together {@code measure}, {@code conform} and {@code seat}, which do not see it.
 */
package drevik.intake;
