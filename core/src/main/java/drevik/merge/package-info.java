/**
 * States of a Mix compared and brought together: what is different in words, and what two people
 * made of one Mix as one Mix again, with all in which they clash.
 */
package drevik.merge;
