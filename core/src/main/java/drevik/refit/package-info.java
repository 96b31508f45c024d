/** What is different between states of a Mix. */
package drevik.refit;
