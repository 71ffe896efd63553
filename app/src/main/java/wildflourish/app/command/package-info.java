/** The command line: one class a command, all of it wiring. */
package wildflourish.app.command;
