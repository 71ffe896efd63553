package wildflourish.app.guide;

import java.util.ArrayList;
import java.util.List;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.Emphasis;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.node.OrderedList;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;
import org.jspecify.annotations.Nullable;

/**
 * Reads a page of the guide from its Markdown: numbered lists are steps, code is keys, what is emphasised is seen on the window.
 * Pictures are for whoever reads the page without the program, and left out.
 */
final class PageReader extends AbstractVisitor {

    private final List<Page.Block> blocks = new ArrayList<>();
    private final List<Page.Run> runs = new ArrayList<>();
    private String title = "";
    private Page.Run.@Nullable Kind kind;
    private String target = "";
    private int step;
    private boolean pointed;

    private PageReader() {}

    static Page read(String id, String markdown) {
        PageReader reader = new PageReader();
        Parser.builder().build().parse(markdown).accept(reader);
        return new Page(id, reader.title, reader.blocks);
    }

    @Override
    public void visit(Heading heading) {
        List<Page.Run> words = gather(heading);
        if (heading.getLevel() == 1) {
            title = String.join("", words.stream().map(Page.Run::words).toList());
        } else {
            blocks.add(new Page.Heading(words));
        }
    }

    @Override
    public void visit(Paragraph paragraph) {
        List<Page.Run> words = gather(paragraph);
        if (!words.isEmpty()) {
            blocks.add(step > 0 ? new Page.Step(step, words) : pointed ? new Page.Point(words) : new Page.Paragraph(words));
        }
    }

    @Override
    public void visit(OrderedList list) {
        int number = 0;
        for (Node item = list.getFirstChild(); item != null; item = item.getNext()) {
            step = ++number;
            visitChildren(item);
        }
        step = 0;
    }

    @Override
    public void visit(BulletList list) {
        pointed = true;
        visitChildren(list);
        pointed = false;
    }

    private List<Page.Run> gather(Node node) {
        runs.clear();
        visitChildren(node);
        return List.copyOf(runs);
    }

    @Override
    public void visit(Text text) {
        add(text.getLiteral(), Page.Run.Kind.PLAIN);
    }

    @Override
    public void visit(SoftLineBreak line) {
        add(" ", Page.Run.Kind.PLAIN);
    }

    @Override
    public void visit(Code code) {
        runs.add(new Page.Run(code.getLiteral(), Page.Run.Kind.KEY, ""));
    }

    @Override
    public void visit(Emphasis words) {
        within(words, Page.Run.Kind.SEEN, "");
    }

    @Override
    public void visit(StrongEmphasis words) {
        within(words, Page.Run.Kind.STRONG, "");
    }

    @Override
    public void visit(Link link) {
        within(link, Page.Run.Kind.LINK, link.getDestination());
    }

    @Override
    public void visit(Image image) {
        // Left out.
    }

    private void within(Node node, Page.Run.Kind inner, String where) {
        Page.Run.@Nullable Kind before = kind;
        String targetBefore = target;
        kind = inner;
        target = where;
        visitChildren(node);
        kind = before;
        target = targetBefore;
    }

    /** Words join those before them when they are of one kind. */
    private void add(String words, Page.Run.Kind usual) {
        Page.Run.Kind of = kind == null ? usual : kind;
        if (!runs.isEmpty() && runs.getLast().kind() == of && runs.getLast().target().equals(target)) {
            runs.add(new Page.Run(runs.removeLast().words() + words, of, target));
        } else {
            runs.add(new Page.Run(words, of, target));
        }
    }
}
