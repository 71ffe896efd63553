/** The desktop and the command line: wiring, view models and views. */
module wildflourish.app {
    requires static org.jspecify;
    requires wildflourish.core;
    requires wildflourish.formats;
    requires wildflourish.score;
    requires wildflourish.sound;
    requires wildflourish.library;
    requires javafx.controls;
    requires java.desktop;
    requires java.logging;
    requires info.picocli;
    requires com.fasterxml.jackson.databind;
    requires org.apache.pdfbox;
    requires org.commonmark;

    opens wildflourish.app.command to info.picocli;
    opens wildflourish.app.desk to javafx.graphics, com.fasterxml.jackson.databind;
    opens wildflourish.app.listening to com.fasterxml.jackson.databind;
    opens wildflourish.app.practice to com.fasterxml.jackson.databind;
}
