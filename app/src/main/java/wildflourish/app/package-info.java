/** Where the program starts: one binary, desktop and command line. */
package wildflourish.app;
