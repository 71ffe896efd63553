/** The frame around every screen: what a screen is, what a command is, and how commands are reached. It knows no screen. */
package wildflourish.app.frame;
