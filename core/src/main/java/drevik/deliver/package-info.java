/**
 * What deliverables ask: specifications and their checks, patterns of file names, what a file's
 * sound looks like. Seen by the line check and the engine.
 */
package drevik.deliver;
