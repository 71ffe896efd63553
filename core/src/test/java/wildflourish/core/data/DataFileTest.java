package wildflourish.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

class DataFileTest {

    record Shape(String name, List<Integer> numbers) {}

    @Test
    void readsAFileIntoItsShape() {
        assertThat(DataFile.parse("x.json", "{\"name\": \"a\", \"numbers\": [1, 2]}", Shape.class))
                .isEqualTo(new Shape("a", List.of(1, 2)));
    }

    @Test
    void aFaultNamesFileLineAndField() {
        assertThatThrownBy(() -> DataFile.parse("x.json", "{\"name\": \"a\",\n \"numbers\": [1, \"two\"]}", Shape.class))
                .isInstanceOf(DataFault.class)
                .hasMessageContaining("x.json").hasMessageContaining("line 2").hasMessageContaining("numbers");
    }

    @Test
    void aFieldNobodyKnowsIsAFault() {
        assertThatThrownBy(() -> DataFile.parse("x.json", "{\"nmae\": \"a\"}", Shape.class))
                .isInstanceOf(DataFault.class).hasMessageContaining("nmae");
    }

    @Test
    void brokenJsonAndMissingFilesAreFaults() {
        assertThatThrownBy(() -> DataFile.parse("x.json", "{", Shape.class)).isInstanceOf(DataFault.class)
                .hasMessageContaining("line 1");
        assertThatThrownBy(() -> DataFile.read("nowhere.json", Shape.class)).isInstanceOf(DataFault.class)
                .hasMessageContaining("missing");
    }
}
