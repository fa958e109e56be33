/** How standing pieces of one kind differ: looks, tints and wear, chosen by hand or drawn from a seed. */
package hausbau.core.dress;
