/**
 * What a name says: the tree of categories, and the sorter that reads names of files, alone and as
 * a whole delivery. Pure functions over the book of words in the resources; every room may see it.
 */
package drevik.category;
