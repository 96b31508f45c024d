/**
 * A Mix as a graph: order, loops, controls, and which seat is heard in which output at what gain.
 * No sound is computed.
 */
package drevik.route;
