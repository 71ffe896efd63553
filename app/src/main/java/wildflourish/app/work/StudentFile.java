package wildflourish.app.work;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.tune.Tempo;
import wildflourish.library.Library;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;

/** Everything that a library knows of one student, as one JSON document for them to keep. */
public final class StudentFile {

    private static final ObjectMapper MAPPER = new ObjectMapper();

    private StudentFile() {}

    /** The document of a student. */
    public static byte[] of(Library library, Person person) {
        try {
            Map<Long, String> titles = library.tunes().all().read().stream().collect(Collectors.toMap(TuneEntry::id, TuneEntry::title));
            ObjectNode document = MAPPER.createObjectNode();
            document.set("student", MAPPER.readTree(person.student().write()));
            document.put("joined", person.joined().toString());
            ArrayNode learning = document.putArray("learns");
            library.people().learning().read().stream().filter(l -> l.student() == person.id()).forEach(l -> learning.addObject()
                    .put("tune", titles.getOrDefault(l.tune(), "")).put("rung", l.rung()).put("next", l.decided()).put("since", l.since().toString()));
            ArrayNode given = document.putArray("given");
            library.people().given().read().stream().filter(g -> g.student() == person.id()).forEach(g -> given.addObject()
                    .put("tune", titles.getOrDefault(g.tune(), "")).put("at", g.at().toString()).put("what", g.what()).put("rung", g.rung()).put("tempo", g.tempo()));
            ArrayNode there = document.putArray("came");
            library.people().meetings().read().stream().filter(m -> m.there().contains(person.id())).forEach(m -> there.addObject().put("at", m.at().toString()).put("kind", m.kind()));
            ArrayNode passes = document.putArray("passes");
            List<LoggedPass> own = library.log().passes().read().stream().filter(p -> p.student().filter(s -> s == person.id()).isPresent()).toList();
            own.forEach(p -> passes.addObject().put("at", p.at().toString()).put("seconds", p.seconds()).put("subject", p.subject()).put("passage", p.passage())
                    .put("instrument", p.instrument()).put("rung", p.rung()).put("tempo", p.tempo().map(Tempo::toString).orElse(null)).put("even", p.even()).put("variation", p.variation()));
            return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(document);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
