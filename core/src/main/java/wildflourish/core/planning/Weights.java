package wildflourish.core.planning;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;

/** What each term weighs on an instrument in the schools chosen, and how it is called. Weights have no unit. */
final class Weights {

    record File(String provenance, List<Row> terms, List<SchoolRow> schools) {}

    record Row(String term, int weight, String one, String many, String because) {}

    record SchoolRow(String school, Map<String, Integer> weights) {}

    private static final Map<String, File> FILES = new ConcurrentHashMap<>();

    private final int[] weights = new int[Term.values().length];
    private final Map<Term, Row> words = new EnumMap<>(Term.class);

    private Weights(File file, Instrument instrument, School school) {
        for (Row row : file.terms()) {
            Term term = term(row.term());
            weights[term.ordinal()] = row.weight();
            words.put(term, row);
        }
        for (SchoolRow row : file.schools()) {
            String[] halves = row.school().split("=");
            if (instrument.school(halves[0], school).equals(halves[1])) {
                row.weights().forEach((term, weight) -> weights[term(term).ordinal()] = weight);
            }
        }
    }

    private static File checked(String name, File file) {
        Set<Term> seen = EnumSet.noneOf(Term.class);
        try {
            for (Row row : file.terms()) {
                if (!seen.add(term(row.term())) || row.weight() < 0) {
                    throw new IllegalArgumentException(row.term() + " stands there twice, or weighs less than nothing");
                }
            }
            for (SchoolRow row : file.schools()) {
                row.weights().keySet().forEach(Weights::term);
                String[] halves = row.school().split("=");
                new School(Map.of(halves[0], halves[1]));
            }
        } catch (IllegalArgumentException e) {
            throw new DataFault("planning/" + name + ".json field terms: " + e.getMessage());
        }
        return file;
    }

    private static Term term(String id) {
        for (Term term : Term.values()) {
            if (term.id().equals(id)) {
                return term;
            }
        }
        throw new IllegalArgumentException("there is no term '" + id + "'");
    }

    /** The weights for an instrument that somebody plays. */
    static Weights of(Instrument instrument, School school) {
        String file = instrument.family().weights().orElseThrow(() -> new IllegalArgumentException("nobody plays the tune as written"));
        return new Weights(FILES.computeIfAbsent(file, f -> checked(f, DataFile.read("planning/" + f + ".json", File.class))), instrument, school);
    }

    int of(Term term) {
        return weights[term.ordinal()];
    }

    /** {@code 2 string crossings}, {@code a string crossing}. */
    String inWords(Term term, int times) {
        Row row = Objects.requireNonNull(words.get(term));
        String one = row.one();
        String article = "aeiou".indexOf(one.charAt(0)) >= 0 ? "an " : "a ";
        return times == 1 ? article + one : times + " " + row.many();
    }

    /** Sums up what is taken down. */
    final class Sum implements Tally {

        private int sum;

        @Override
        public void add(Term term, int times) {
            sum += weights[term.ordinal()] * times;
        }

        int take() {
            int taken = sum;
            sum = 0;
            return taken;
        }
    }

    /** Counts what is taken down, term by term. */
    static final class Count implements Tally {

        private final int[] times = new int[Term.values().length];

        @Override
        public void add(Term term, int more) {
            times[term.ordinal()] += more;
        }

        int of(Term term) {
            return times[term.ordinal()];
        }
    }
}
