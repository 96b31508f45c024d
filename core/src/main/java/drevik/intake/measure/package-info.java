/**
 * What is found out about a delivered file by reading it once: levels, silences, sides, pairs,
 * likely category. Nothing is decided here.
 */
package drevik.intake.measure;
