/**
 * What may come in, given to the readers by a fuzzer that looks which code it reaches ({@code tools/fuzz}). Each target is a class of
 * its own with {@code fuzzerTestOneInput}; what was found and what it learnt from is kept as files, and read again at each build.
 */
package wildflourish.formats.fuzz;
