/** The trade's computation: it knows no screen, file format, database or loudspeaker. */
module wildflourish.core {
    requires com.fasterxml.jackson.databind;

    exports wildflourish.core.data;
    exports wildflourish.core.finding;
    exports wildflourish.core.tune;

    opens wildflourish.core.tune to com.fasterxml.jackson.databind;
}
