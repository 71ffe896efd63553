/** Tables for other programs: comma-separated values (RFC 4180). */
package wildflourish.formats.csv;
