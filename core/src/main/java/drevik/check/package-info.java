/**
 * The line check: one class a rule, each of which looks at a {@code Survey} of a Mix and reports
 * findings with edits that mend them. A rule never changes anything and never throws for a sound
 * Mix. Seen by previews, the server and the command line.
 */
package drevik.check;
