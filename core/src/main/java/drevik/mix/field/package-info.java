/**
 * The one list of fields of each record, and changes made of them. Edits, Ledger, differences,
 * copies, references and JSON go through these lists.
 */
package drevik.mix.field;
