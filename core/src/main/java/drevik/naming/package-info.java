/** What channels are made of when all that is known is their names. */
package drevik.naming;
