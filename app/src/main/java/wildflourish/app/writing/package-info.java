/** Writing: the tune itself, as ABC text beside the stave it makes; put right, or written anew. */
package wildflourish.app.writing;
