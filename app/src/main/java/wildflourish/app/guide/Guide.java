package wildflourish.app.guide;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * The guide: its pages in the order of its table of contents, which also says which page belongs to which screen. They are the files
 * of {@code docs/guide}, shipped with the program.
 */
public final class Guide {

    private static final String FOLDER = "/wildflourish/app/guide/";
    private static final String ENDING = ".md";
    private static final String WORDS = "words";

    private final Page contents;
    private final List<Page> pages = new ArrayList<>();
    private final Map<String, Page> byScreen = new HashMap<>();
    private final Glossary glossary;

    /**
     * A guide.
     *
     * @param fetch gives the text of a page by its id; {@code README} is the table of contents
     */
    Guide(UnaryOperator<String> fetch) {
        contents = PageReader.read("README", fetch.apply("README"));
        for (Page.Block block : contents.blocks()) {
            if (block instanceof Page.Point point) {
                String id = id(target(point));
                Page page = PageReader.read(id, fetch.apply(id));
                pages.add(page);
                point.runs().stream().filter(r -> r.kind() == Page.Run.Kind.SEEN).forEach(r -> byScreen.putIfAbsent(r.words(), page));
            }
        }
        glossary = Glossary.of(page(WORDS).orElseThrow());
    }

    /** The one that is shipped. */
    public static Guide shipped() {
        return new Guide(Guide::text);
    }

    private static String text(String id) {
        try (var in = Guide.class.getResourceAsStream(FOLDER + id + ENDING)) {
            if (in == null) {
                throw new IllegalArgumentException("the guide has no page " + id);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String target(Page.Block block) {
        return block.runs().stream().filter(r -> r.kind() == Page.Run.Kind.LINK).findFirst().map(Page.Run::target)
                .orElseThrow(() -> new IllegalArgumentException("a point of the contents leads nowhere: " + block.inWords()));
    }

    /** The page that a link of the guide means, without the section. */
    static String id(String target) {
        return target.replaceFirst("#.*", "").replaceFirst("\\.md$", "");
    }

    /** The section that a link means; empty for the page's beginning. */
    static String anchor(String target) {
        return target.contains("#") ? target.substring(target.indexOf('#') + 1) : "";
    }

    /** The table of contents. */
    public Page contents() {
        return contents;
    }

    /** All pages, in the order of the contents. */
    public List<Page> pages() {
        return List.copyOf(pages);
    }

    /** A page by its id. */
    public Optional<Page> page(String id) {
        return id.equals(contents.id()) ? Optional.of(contents) : pages.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    /** The page that belongs to a screen, which is given as it is called on the rail. */
    public Page about(String screen) {
        return byScreen.getOrDefault(screen, contents);
    }

    /** The words of the trade. */
    public Glossary glossary() {
        return glossary;
    }
}
