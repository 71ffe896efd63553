/** Tunes in open file formats, in and out. */
module wildflourish.formats {
    requires transitive wildflourish.core;
    requires java.desktop;

    exports wildflourish.formats.abc;
    exports wildflourish.formats.midi;
}
