package wildflourish.formats.book;

import java.util.List;
import java.util.Optional;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tune;

/**
 * A tune of a book.
 *
 * @param tune without the signs of ornaments that its ladder placed
 * @param arrangement its ladder, when the file holds one
 * @param unread what the file says about a ladder that is not understood, to be kept; a part of the arrangement where there is one
 * @param line where it begins in the file, from 1
 * @param lastLine where it ends
 */
public record BookTune(Tune tune, Optional<Arrangement> arrangement, List<String> unread, int line, int lastLine) {}
