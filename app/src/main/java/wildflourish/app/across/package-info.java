/** The across screen: one version of a tune carried over to every instrument, with what changed and why. */
package wildflourish.app.across;
