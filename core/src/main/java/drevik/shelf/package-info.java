/**
 * What is kept on the shelf apart from any Mix, and found again by its name: chains, and category
 * maps that say names where a Mix has ids. It is held to the same limits as what stands in a Mix.
 */
package drevik.shelf;
