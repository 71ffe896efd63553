/** Recordings as a fuzzer makes them ({@code tools/fuzz}): what was found is kept as files, and read again at each build. */
package wildflourish.sound.fuzz;
