/** Painters: the display list as SVG and PDF. */
package wildflourish.score.paint;
