/**
 * Which file goes to which seat of a Mix, at what place in time and at what gain. A plan only;
 * carried out by an edit.
 */
package drevik.intake.seat;
