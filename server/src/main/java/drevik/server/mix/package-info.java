/**
 * Mixes and their revisions. Every change goes through {@code MixEdits}: under the lock of its row
 * and once for each request id; what is derived is worked out behind the transaction.
 */
package drevik.server.mix;
