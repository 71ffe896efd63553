/** Back-ups in the window: made, looked into, restored, undone; and what is said when another library lies in the open one's place. */
package wildflourish.app.backup;
