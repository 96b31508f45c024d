/**
 * Measurements of whole processes and whole acts, as pairs in one run where two versions are
 * compared. Never part of a test.
 */
package drevik.bench;
