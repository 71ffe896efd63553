package wildflourish.app.work;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import wildflourish.library.Library;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;

/**
 * What helps to find a fault: the versions of what is at work, and the end of the log. Names of students and tunes, and where files
 * are, are covered; whoever sends it looks at it first.
 */
public final class FaultReport {

    private static final int LAST_LINES = 400;
    /** Shorter names would be found in every other word. */
    static final int SHORTEST_NAME = 3;
    private static final String STUDENT = "(a student)";
    private static final String TUNE = "(a tune)";
    private static final String FILE = "(a file)";
    /** A file's whole name, at the beginning of a line or behind what cannot be part of it: not what stack traces name. */
    private static final Pattern PLACE = Pattern.compile("(?<=^|[\\s\"'“‘(=:])(?:~|file:|[A-Za-z]:(?=\\\\))?(?:/|\\\\)[^\\s\"'”’:)]+");

    private FaultReport() {}

    /**
     * The names in a library that nobody else has to know.
     *
     * @param byCover what each is covered by
     */
    public record Names(Map<String, String> byCover) {

        public Names {
            byCover = Map.copyOf(byCover);
        }

        /** Those of a library: titles and their words are tunes', the whole name and each part of it a student's. */
        public static Names of(Library library) {
            Map<String, String> all = new LinkedHashMap<>();
            for (TuneEntry tune : library.tunes().all().read()) {
                all.put(tune.title(), TUNE);
            }
            for (Person person : library.people().all().read()) {
                String name = person.student().name();
                Stream.concat(Stream.of(name), Stream.of(name.split("\\s+"))).forEach(n -> all.put(n, STUDENT));
            }
            all.remove("");
            return new Names(all);
        }
    }

    /**
     * The report as text.
     *
     * @param now what the window shows, in lines of a word and its value; empty without a window
     * @param log what was logged
     */
    public static String of(Map<String, String> now, Names names, String log) {
        List<String> lines = new ArrayList<>();
        lines.add("What I did:");
        lines.add("");
        lines.add("What came of it, and what should have:");
        lines.add("");
        versions().forEach((what, value) -> lines.add(what + ": " + value));
        now.forEach((what, value) -> lines.add(what + ": " + cover(value, names)));
        lines.add("");
        lines.add("The end of the log:");
        List<String> logged = log.lines().toList();
        logged.subList(Math.max(0, logged.size() - LAST_LINES), logged.size()).forEach(l -> lines.add(cover(l, names)));
        if (logged.isEmpty()) {
            lines.add("nothing was logged");
        }
        return String.join("\n", lines) + "\n";
    }

    /** What is at work here. */
    private static Map<String, String> versions() {
        Map<String, String> versions = new LinkedHashMap<>();
        versions.put("Wild Flourish", ProgramVersion.now());
        versions.put("Java", System.getProperty("java.vm.name") + " " + System.getProperty("java.vm.version"));
        versions.put("JavaFX", System.getProperty("javafx.runtime.version", "not started"));
        versions.put("System", "%s %s, %s".formatted(System.getProperty("os.name"), System.getProperty("os.version"), System.getProperty("os.arch")));
        versions.put("Memory", "%d MB at most".formatted(Runtime.getRuntime().maxMemory() >> 20));
        return versions;
    }

    /** A line without names and without places of files. */
    static String cover(String line, Names names) {
        String covered = PLACE.matcher(line).replaceAll(FILE);
        List<String> longestFirst = names.byCover().keySet().stream().filter(n -> n.length() >= SHORTEST_NAME)
                .sorted(Comparator.comparingInt(String::length).reversed().thenComparing(Comparator.naturalOrder())).toList();
        for (String name : longestFirst) {
            String cover = String.valueOf(names.byCover().get(name));
            covered = Pattern.compile("(?<!\\p{L})" + Pattern.quote(name) + "(?!\\p{L})", Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE)
                    .matcher(covered).replaceAll(Matcher.quoteReplacement(cover));
        }
        return covered;
    }

    /** What was logged beside a library, the older log first; empty when there is none. */
    public static String logged(Path library) throws IOException {
        StringBuilder all = new StringBuilder();
        for (Path log : List.of(Trouble.logBefore(library), Trouble.log(library))) {
            if (Files.isRegularFile(log)) {
                all.append(new String(Files.readAllBytes(log), StandardCharsets.UTF_8));
            }
        }
        return all.toString();
    }
}
