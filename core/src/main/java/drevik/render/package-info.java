/**
 * The engine: a Mix wired to nodes, run block by block on several threads, and what is written and
 * measured of it. All that is mutable in the core and is no processor or meter lives here. Bits
 * depend neither on threads nor on block size.
 */
package drevik.render;
