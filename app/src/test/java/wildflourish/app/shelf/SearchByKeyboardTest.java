package wildflourish.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import org.junit.jupiter.api.Test;
import wildflourish.app.frame.Command;
import wildflourish.app.paint.Look;
import wildflourish.app.work.AtOnce;

/** What a MIDI keyboard plays is looked for on the shelf. */
class SearchByKeyboardTest {

    private final List<IntConsumer> listeners = new ArrayList<>();
    private final ShelfScreen.Deeds deeds = mock(ShelfScreen.Deeds.class);
    private final ShelfModel model = new ShelfModel();
    private final ShelfScreen screen = new ShelfScreen(model, new Incipits(id -> "", AtOnce.background(w -> { }), () -> Look.USUAL.palette()),
            id -> { }, id -> { }, () -> { }, () -> { }, () -> { }, Command.of("bring-in", "Bring in", "Shelf", () -> { }), deeds);

    private void ask() {
        screen.commands().stream().filter(c -> c.id().equals("search-by-keyboard")).findFirst().orElseThrow().run().accept("");
    }

    @Test
    void itsKeysAreTheNotesThatAreAskedForUntilTheSameIsAskedForAgain() {
        when(deeds.listen(any())).thenAnswer(call -> listeners.add(call.getArgument(0)));
        model.search().set("old words");
        ask();
        for (int key : new int[] {62, 66, 69, 66, 62}) {
            listeners.getFirst().accept(key);
        }
        assertThat(model.search().get()).isEqualTo("d f a f d");
        screen.leave();
        verify(deeds).listenNoMore();
        ask();
        assertThat(model.search().get()).isEmpty();
    }
}
