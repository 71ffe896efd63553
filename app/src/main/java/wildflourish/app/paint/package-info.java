/** Painting the display list on the screen: colours of the light and the dark look, and the canvas painter. */
package wildflourish.app.paint;
