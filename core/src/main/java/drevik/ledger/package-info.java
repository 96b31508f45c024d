/**
 * How fields are written for people and read from what they type: one way to write and one to read
 * each value, for cells, forms, findings and differences alike.
 */
package drevik.ledger;
