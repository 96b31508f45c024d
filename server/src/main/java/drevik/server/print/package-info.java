/**
 * Prints: asked for, run as jobs, looked at and cancelled. How far one is stands in the database,
 * so any process may do the printing.
 */
package drevik.server.print;
