/** Turns performances into sound: cues, computed voices, a transport exact to the sample, devices, files, what players play back, and the hearing of it. */
module wildflourish.sound {
    requires static org.jspecify;
    requires transitive wildflourish.core;
    requires com.fasterxml.jackson.databind;
    requires hipparchus.fft;
    requires java.desktop;
    requires jflac.codec;

    exports wildflourish.sound.cue;
    exports wildflourish.sound.engine;
    exports wildflourish.sound.hearing;
    exports wildflourish.sound.input;
    exports wildflourish.sound.microphone;
    exports wildflourish.sound.transport;
    exports wildflourish.sound.voice;
    exports wildflourish.sound.wave;

    opens wildflourish.sound.voice to com.fasterxml.jackson.databind;
}
