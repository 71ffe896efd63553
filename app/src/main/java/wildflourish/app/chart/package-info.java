/** The chart screen: an instrument's fingerings, strings or buttons, to look at, change and print. */
package wildflourish.app.chart;
