/** Keeps tunes, settings and logs in one SQLite file. */
module wildflourish.library {
    requires static org.jspecify;
    requires transitive wildflourish.core;
    requires com.fasterxml.jackson.databind;
    requires java.sql;
    requires org.xerial.sqlitejdbc;
    requires org.jdbi.v3.core;
    requires io.leangen.geantyref;
    requires org.slf4j;

    exports wildflourish.library;
}
