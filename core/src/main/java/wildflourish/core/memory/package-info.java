/** Values that have been worked out and are kept; what is kept is told by equality. Nothing of the trade lives here. */
package wildflourish.core.memory;
