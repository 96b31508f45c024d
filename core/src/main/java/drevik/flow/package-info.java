/**
 * The picture of a Mix's routing: places, ribbons and what stands beside them, worked out whole and
 * without a browser. Nobody in the core sees it.
 */
package drevik.flow;
