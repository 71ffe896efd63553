package wildflourish.core.data;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.io.IOException;
import java.io.InputStream;
import java.util.stream.Collectors;

/** Reads the JSON files that hold the trade's facts. */
public final class DataFile {

    private static final ObjectMapper MAPPER = JsonMapper.builder()
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .enable(JsonParser.Feature.ALLOW_COMMENTS)
            .build();

    private DataFile() {}

    /**
     * Reads {@code data/<name>} of this module into a record of the given shape.
     *
     * @throws DataFault when the file is missing, is not JSON, or does not have that shape
     */
    public static <T> T read(String name, Class<T> shape) {
        try (InputStream in = DataFile.class.getResourceAsStream("/wildflourish/core/data/" + name)) {
            if (in == null) {
                throw new DataFault(name + ": the file is missing");
            }
            return parse(name, new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8), shape);
        } catch (IOException e) {
            throw new DataFault(name + ": cannot be read: " + e.getMessage());
        }
    }

    /** As {@link #read}, from text that is already at hand; {@code name} is used in errors only. */
    public static <T> T parse(String name, String text, Class<T> shape) {
        try {
            return MAPPER.readValue(text, shape);
        } catch (JsonMappingException e) {
            String field = e.getPath().stream()
                    .map(r -> r.getFieldName() != null ? r.getFieldName() : "[" + r.getIndex() + "]")
                    .collect(Collectors.joining("."));
            throw new DataFault(place(name, e) + " field " + field + ": " + e.getOriginalMessage());
        } catch (JsonProcessingException e) {
            throw new DataFault(place(name, e) + ": " + e.getOriginalMessage());
        }
    }

    /** The line of a data file on which a field has a value, the first such; 0 where there is none. */
    public static int line(String name, String field, String value) {
        try (InputStream in = DataFile.class.getResourceAsStream("/wildflourish/core/data/" + name); JsonParser parser = MAPPER.createParser(in)) {
            while (parser.nextToken() != null) {
                if (field.equals(parser.currentName()) && value.equals(parser.getText())) {
                    return parser.currentLocation().getLineNr();
                }
            }
            return 0;
        } catch (IOException | IllegalArgumentException e) {
            return 0;
        }
    }

    /** A record as the text of a data file; fields without a value are left out. */
    public static String write(Object record) {
        try {
            return MAPPER.copy().setDefaultPropertyInclusion(JsonInclude.Include.NON_NULL)
                    .writerWithDefaultPrettyPrinter().writeValueAsString(record);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("this cannot be written as data: " + e.getOriginalMessage(), e);
        }
    }

    private static String place(String name, JsonProcessingException e) {
        return e.getLocation() == null ? name : name + ": line " + e.getLocation().getLineNr();
    }
}
