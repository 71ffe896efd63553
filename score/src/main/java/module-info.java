/** Engraves settings and charts into a display list, and paints it as SVG and PDF. */
module wildflourish.score {
    requires static org.jspecify;
    requires transitive wildflourish.core;
    requires com.fasterxml.jackson.databind;
    requires java.desktop;
    requires jdk.unsupported;
    requires org.apache.commons.logging;
    requires org.apache.fontbox;
    requires org.apache.pdfbox;
    requires org.apache.pdfbox.io;

    exports wildflourish.score.display;
    exports wildflourish.score.engrave;
    exports wildflourish.score.font;
    exports wildflourish.score.handout;
    exports wildflourish.score.paint;

    opens wildflourish.score.font to com.fasterxml.jackson.databind;
}
