package wildflourish.app.work;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import wildflourish.core.search.Profile;
import wildflourish.library.Index;
import wildflourish.library.Library;
import wildflourish.library.LibraryFault;

/** What the tunes of a library are found by: kept in the library, and worked out anew where a tune has changed. */
public final class TuneIndex {

    private static final System.Logger LOG = System.getLogger("wildflourish");
    private static final int AT_ONCE = 250;

    private TuneIndex() {}

    /**
     * What a tune is found by.
     *
     * @param profile empty where the tune cannot be read
     */
    public record Found(Optional<Profile> profile, List<String> tags) {

        public Found {
            tags = List.copyOf(tags);
        }
    }

    /**
     * Everything on the shelf, by the tunes' ids. Not on the interface's thread.
     *
     * @param keep keeps what was worked out anew
     */
    public static Map<Long, Found> of(Library library, Consumer<List<Index.Notes>> keep, BooleanSupplier stopped) {
        Map<Long, Found> found = new HashMap<>();
        List<Index.Notes> worked = new ArrayList<>();
        for (Index.Known known : library.index().all()) {
            if (stopped.getAsBoolean()) {
                break;
            }
            Optional<Profile> profile = known.notes().flatMap(Profile::parse);
            if (profile.isEmpty()) {
                profile = workedOut(library, known);
                profile.ifPresent(p -> worked.add(new Index.Notes(known.tune(), known.edition(), p.text())));
            }
            found.put(known.tune(), new Found(profile, known.tags()));
            if (worked.size() >= AT_ONCE) {
                keep.accept(List.copyOf(worked));
                worked.clear();
            }
        }
        if (!worked.isEmpty()) {
            keep.accept(List.copyOf(worked));
        }
        return found;
    }

    private static Optional<Profile> workedOut(Library library, Index.Known known) {
        try {
            return Optional.of(Profile.of(Documents.read(library.tunes().edition(known.edition()).document()).tune()));
        } catch (LibraryFault | IllegalStateException e) {
            LOG.log(System.Logger.Level.WARNING, "a tune of the library could not be read", e);
            return Optional.empty();
        }
    }
}
