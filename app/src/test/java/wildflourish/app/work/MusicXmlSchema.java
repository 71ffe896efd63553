package wildflourish.app.work;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import javax.xml.XMLConstants;
import javax.xml.transform.sax.SAXSource;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import javax.xml.validation.Validator;
import org.audiveris.proxymusic.ScorePartwise;
import org.w3c.dom.bootstrap.DOMImplementationRegistry;
import org.w3c.dom.ls.DOMImplementationLS;
import org.w3c.dom.ls.LSInput;
import org.xml.sax.ErrorHandler;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;
import org.xml.sax.XMLReader;

/** The W3C's schema of MusicXML 4.0, as the binding's package carries it. */
final class MusicXmlSchema {

    private static final Schema SCHEMA = schema();

    private MusicXmlSchema() {}

    /** What the schema finds wrong with a score, each with its line. */
    static List<String> faults(byte[] score) throws IOException {
        List<String> faults = new ArrayList<>();
        try {
            Validator validator = SCHEMA.newValidator();
            validator.setErrorHandler(new ErrorHandler() {
                @Override
                public void warning(SAXParseException e) {
                    faults.add(told(e));
                }

                @Override
                public void error(SAXParseException e) {
                    faults.add(told(e));
                }

                @Override
                public void fatalError(SAXParseException e) {
                    faults.add(told(e));
                }
            });
            XMLReader reader = javax.xml.parsers.SAXParserFactory.newDefaultNSInstance().newSAXParser().getXMLReader();
            reader.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
            validator.validate(new SAXSource(reader, new InputSource(new ByteArrayInputStream(score))));
        } catch (SAXException | javax.xml.parsers.ParserConfigurationException e) {
            faults.add(e.toString());
        }
        return faults;
    }

    private static String told(SAXParseException e) {
        return "line " + e.getLineNumber() + ": " + e.getMessage();
    }

    private static Schema schema() {
        try (InputStream in = ScorePartwise.class.getResourceAsStream("/META-INF/jaxb/xsd/musicxml.xsd")) {
            SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
            DOMImplementationLS inputs = (DOMImplementationLS) DOMImplementationRegistry.newInstance().getDOMImplementation("LS");
            factory.setResourceResolver((type, namespace, publicId, systemId, base) -> {
                LSInput input = inputs.createLSInput();
                input.setSystemId(systemId);
                input.setByteStream(MusicXmlSchema.class.getResourceAsStream(systemId.substring(systemId.lastIndexOf('/') + 1)));
                return input;
            });
            return factory.newSchema(new StreamSource(in));
        } catch (IOException | ReflectiveOperationException | SAXException e) {
            throw new IllegalStateException(e);
        }
    }
}
