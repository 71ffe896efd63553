/**
 * The teacher's library in one SQLite file: tunes with every edition they ever had, and where the teacher was. Each edit
 * is one transaction; two programs may have the same file open. Documents are text whose meaning this module does not
 * know.
 */
package wildflourish.library;
