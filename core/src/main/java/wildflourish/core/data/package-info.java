/**
 * Trade data as files: read once, with errors that name file, line and field. Nothing of the trade itself is here.
 */
package wildflourish.core.data;
