/** Small controls that every screen is made of. They know no model. */
package wildflourish.app.controls;
