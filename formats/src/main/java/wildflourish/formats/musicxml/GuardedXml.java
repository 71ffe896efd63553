package wildflourish.formats.musicxml;

import jakarta.xml.bind.JAXBContext;
import jakarta.xml.bind.JAXBException;
import jakarta.xml.bind.Unmarshaller;
import java.io.StringReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.IdentityHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.concurrent.CancellationException;
import java.util.function.IntConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.Location;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import javax.xml.stream.util.StreamReaderDelegate;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.ScoreTimewise;
import org.jspecify.annotations.Nullable;

/** Reads a score's XML with nothing fetched, no entity expanded, and no more than so deep and so long. */
final class GuardedXml {

    /** So many elements are read between one look at how far it is and the next. */
    private static final int TOLD_EVERY = 256;
    private static final int DEEPEST = 40;
    private static final int MOST_ELEMENTS = 4_000_000;

    private static final int LONGEST_PROLOGUE = 200;
    private static final Pattern ENCODING = Pattern.compile("encoding\\s*=\\s*[\"']([\\w.:-]+)[\"']");

    private final Map<Object, Place> places = new IdentityHashMap<>();

    /** Where something stands in the file, from 1. */
    record Place(int line, int column) {

        static final Place NOWHERE = new Place(0, 0);
    }

    /** What keeps a file from being read, with its place. */
    static final class Broken extends Exception {

        private static final long serialVersionUID = 1;
        private final transient Place place;

        Broken(Place place, String what) {
            super(what);
            this.place = place;
        }

        Place place() {
            return place;
        }

        /** What is wrong. */
        String what() {
            return String.valueOf(getMessage());
        }
    }

    /** The binding of the format, made when the first score is read or written: it takes a while. */
    private static final class Binding {

        private static final JAXBContext CONTEXT = context();

        private static JAXBContext context() {
            try {
                return JAXBContext.newInstance(ScorePartwise.class, ScoreTimewise.class);
            } catch (JAXBException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    static JAXBContext binding() {
        return Binding.CONTEXT;
    }

    /**
     * The root of the score: a {@link ScorePartwise} or a {@link ScoreTimewise}.
     *
     * @param percent told how far it is, in hundredths; ends the reading with a {@link CancellationException}
     */
    Object read(byte[] bytes, IntConsumer percent) throws Broken {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        Limited reader = null;
        try {
            String text = decoded(bytes);
            reader = new Limited(factory.createXMLStreamReader(new StringReader(text)), text.length(), percent);
            Limited limited = reader;
            Unmarshaller unmarshaller = binding().createUnmarshaller();
            unmarshaller.setEventHandler(event -> true);
            unmarshaller.setListener(new Unmarshaller.Listener() {
                @Override
                public void beforeUnmarshal(Object target, Object parent) {
                    if (target instanceof Note || target instanceof ScorePartwise.Part.Measure || target instanceof ScoreTimewise.Measure) {
                        places.put(target, limited.place());
                    }
                }
            });
            limited.nextTag();
            String root = limited.getLocalName();
            return switch (root) {
                case "score-partwise" -> unmarshaller.unmarshal(limited, ScorePartwise.class).getValue();
                case "score-timewise" -> unmarshaller.unmarshal(limited, ScoreTimewise.class).getValue();
                case "opus" -> throw new Broken(limited.place(), "this is a list of scores, not a score");
                default -> throw new Broken(limited.place(), "the file begins with <%s>: it is no MusicXML score".formatted(brief(root)));
            };
        } catch (XMLStreamException | JAXBException e) {
            Place place = placeOf(e, reader);
            throw new Broken(place, reader != null && !reader.tooMuch.isEmpty() ? reader.tooMuch : "the XML breaks off or is damaged here");
        } catch (MissingResourceException e) {
            // The library has no words for this damage, and throws that it has none.
            throw new Broken(reader == null ? Place.NOWHERE : reader.place(), "the XML breaks off or is damaged here");
        } catch (CancellationException stopped) {
            throw stopped;
        } catch (ClassCastException | NumberFormatException | IllegalStateException e) {
            throw new Broken(reader == null ? Place.NOWHERE : reader.place(), "the XML is not built as a score is");
        }
    }

    /** The text of the file in the encoding that it says it is in; bytes that are none of its letters become question marks. */
    private static String decoded(byte[] bytes) {
        if (bytes.length >= 2 && (bytes[0] & 0xff) >= 0xfe) {
            return new String(bytes, StandardCharsets.UTF_16);
        }
        Matcher declared = ENCODING.matcher(new String(bytes, 0, Math.min(bytes.length, LONGEST_PROLOGUE), StandardCharsets.ISO_8859_1));
        String said = declared.find() ? declared.group(1) : "UTF-8";
        Charset charset = StandardCharsets.UTF_8;
        try {
            // A prologue that can be read byte by byte is not in UTF-16, whatever it says: somebody saved the file anew as UTF-8.
            charset = said.toUpperCase(Locale.ROOT).startsWith("UTF-16") ? charset : Charset.forName(said);
        } catch (IllegalArgumentException e) {
            // An encoding that nobody knows: nearly always it is UTF-8 all the same.
        }
        int from = bytes.length >= 3 && (bytes[0] & 0xff) == 0xef && (bytes[1] & 0xff) == 0xbb ? 3 : 0;
        return new String(bytes, from, bytes.length - from, charset);
    }

    /** Where a note or a measure stands. */
    Place place(@Nullable Object thing) {
        return places.getOrDefault(thing, Place.NOWHERE);
    }

    private static String brief(String name) {
        return name.length() > 40 ? name.substring(0, 40) + "…" : name;
    }

    private static Place placeOf(Exception e, @Nullable Limited reader) {
        Throwable cause = e;
        while (cause != null) {
            if (cause instanceof XMLStreamException stream && stream.getLocation() != null) {
                return new Place(Math.max(0, stream.getLocation().getLineNumber()), Math.max(0, stream.getLocation().getColumnNumber()));
            }
            cause = cause.getCause();
        }
        return reader == null ? Place.NOWHERE : reader.place();
    }

    /** A reader that gives up where a file goes too deep or on too long. */
    private static final class Limited extends StreamReaderDelegate {

        private final long length;
        private final IntConsumer percent;
        private int told = -1;
        private int depth;
        private int elements;
        private String tooMuch = "";

        Limited(XMLStreamReader reader, long length, IntConsumer percent) {
            super(reader);
            this.length = length;
            this.percent = percent;
        }

        /** Tells how far it is, once for each hundredth. */
        private void tell() {
            int now = length == 0 ? 0 : Math.clamp(100L * getLocation().getCharacterOffset() / length, 0, 100);
            if (now > told) {
                told = now;
                percent.accept(now);
            }
        }

        Place place() {
            Location at = getLocation();
            return new Place(Math.max(0, at.getLineNumber()), Math.max(0, at.getColumnNumber()));
        }

        @Override
        public int next() throws XMLStreamException {
            int event = super.next();
            if (event == START_ELEMENT) {
                depth++;
                elements++;
                if (elements % TOLD_EVERY == 0) {
                    tell();
                }
                if (depth > DEEPEST) {
                    tooMuch = "the XML is nested deeper than any score";
                } else if (elements > MOST_ELEMENTS) {
                    tooMuch = "the score has more than %d million elements".formatted(MOST_ELEMENTS / 1_000_000);
                }
                if (!tooMuch.isEmpty()) {
                    throw new XMLStreamException(tooMuch, getLocation());
                }
            } else if (event == END_ELEMENT) {
                depth--;
            } else if (event == ENTITY_REFERENCE) {
                tooMuch = "the XML uses an entity of its own";
                throw new XMLStreamException(tooMuch, getLocation());
            }
            return event;
        }

        @Override
        public int nextTag() throws XMLStreamException {
            int event = next();
            while (event != START_ELEMENT && event != END_DOCUMENT) {
                event = next();
            }
            return event;
        }
    }
}
