/**
 * What ships, put into a new data folder once: starters, chains and, if asked for, the demo. Each
 * step is a milestone and done once however often it is asked for.
 */
package drevik.server.demo;
