/**
 * What the category map answers for each channel, and how a Mix follows it: what a hand has set
 * stays, what the map has set goes along.
 */
package drevik.reassign;
