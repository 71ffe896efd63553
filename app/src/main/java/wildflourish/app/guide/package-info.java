/** The guide beside the screens: pages, steps that can be followed, and the words of the trade. */
package wildflourish.app.guide;
