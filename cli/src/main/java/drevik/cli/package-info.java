/**
 * The command line: a class a command over the core, with no rule of its own. Answers to standard
 * output, refusals with status 1, wrong usage with 2.
 */
package drevik.cli;
