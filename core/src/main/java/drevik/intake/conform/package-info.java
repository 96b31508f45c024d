/**
 * What has to be done to a delivered file before it can be seated (rate, joined sides, trimmed
 * silence), as steps that can be told and repeated. The delivered file itself is never changed.
 */
package drevik.intake.conform;
