package wildflourish.app.frame;

import javafx.scene.control.Hyperlink;

/** Leads from a reason that stands on a screen to the page of the guide that explains it. */
public final class GuideLink extends Hyperlink {

    private final String target;

    /**
     * A link.
     *
     * @param words the question that the page answers
     * @param target the page and its section, {@code page#section}
     */
    public GuideLink(Site site, String words, String target) {
        super("Guide: " + words);
        this.target = target;
        setId("guide-link");
        getStyleClass().add("guide-link");
        setMinHeight(USE_PREF_SIZE);
        setWrapText(true);
        setOnAction(e -> site.explain(target));
    }

    /** The page and its section. */
    public String target() {
        return target;
    }
}
