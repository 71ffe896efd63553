/** Tunes in open file formats, in and out. */
module wildflourish.formats {
    requires static org.jspecify;
    requires transitive wildflourish.core;
    requires java.desktop;
    requires com.fasterxml.jackson.databind;
    requires com.fasterxml.jackson.dataformat.csv;
    requires jakarta.xml.bind;
    requires java.xml;
    requires proxymusic;

    exports wildflourish.formats.abc;
    exports wildflourish.formats.book;
    exports wildflourish.formats.calendar;
    exports wildflourish.formats.csv;
    exports wildflourish.formats.door;
    exports wildflourish.formats.midi;
    exports wildflourish.formats.musicxml;
    exports wildflourish.formats.steps;
}
