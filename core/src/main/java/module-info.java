/** The trade's computation: it knows no screen, file format, database or loudspeaker. */
module wildflourish.core {
    requires static org.jspecify;
    requires com.fasterxml.jackson.databind;

    exports wildflourish.core.data;
    exports wildflourish.core.finding;
    exports wildflourish.core.fit;
    exports wildflourish.core.lesson;
    exports wildflourish.core.growth;
    exports wildflourish.core.hearing;
    exports wildflourish.core.instrument;
    exports wildflourish.core.memory;
    exports wildflourish.core.ornament;
    exports wildflourish.core.planning;
    exports wildflourish.core.practice;
    exports wildflourish.core.reading;
    exports wildflourish.core.rounds;
    exports wildflourish.core.search;
    exports wildflourish.core.setting;
    exports wildflourish.core.tune;
    exports wildflourish.core.writing;

    opens wildflourish.core.hearing to com.fasterxml.jackson.databind;
    opens wildflourish.core.fit to com.fasterxml.jackson.databind;
    opens wildflourish.core.lesson to com.fasterxml.jackson.databind;
    opens wildflourish.core.growth to com.fasterxml.jackson.databind;
    opens wildflourish.core.instrument to com.fasterxml.jackson.databind;
    opens wildflourish.core.ornament to com.fasterxml.jackson.databind;
    opens wildflourish.core.planning to com.fasterxml.jackson.databind;
    opens wildflourish.core.practice to com.fasterxml.jackson.databind;
    opens wildflourish.core.reading to com.fasterxml.jackson.databind;
    opens wildflourish.core.tune to com.fasterxml.jackson.databind;
    opens wildflourish.core.search to com.fasterxml.jackson.databind;
    opens wildflourish.core.writing to com.fasterxml.jackson.databind;
}
