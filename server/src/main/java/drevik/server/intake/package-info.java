/**
 * Deliveries in the database: uploads, the inbox, measured files, decisions about them, seating.
 * Files are received in one transaction with the jobs that look at them.
 */
package drevik.server.intake;
