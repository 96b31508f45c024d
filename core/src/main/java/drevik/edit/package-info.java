/**
 * Changes of a Mix as records: each gives a new Mix or refuses with a reason, changes what it names
 * and nothing else, and may be carried out on a newer Mix than the one that it was made on. What
 * follows the category map follows afterwards ({@code reassign}).
 */
package drevik.edit;
