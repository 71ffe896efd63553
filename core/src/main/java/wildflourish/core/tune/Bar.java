package wildflourish.core.tune;

import java.util.List;
import java.util.Optional;

/**
 * The music between two bar lines.
 *
 * @param number 0 for a pickup at the start, then counted from 1; the two pieces of a bar that a repeat sign cuts in
 *     two share a number
 * @param part the name of the part that starts here
 * @param endsSystem whether the writer broke the line after this bar
 */
public record Bar(
        int number,
        List<Element> elements,
        BarLine closing,
        Optional<Ending> ending,
        Optional<String> part,
        boolean endsSystem) {

    public Bar {
        elements = List.copyOf(elements);
    }

    /** Sum of its notes and rests. */
    public Ratio length() {
        Ratio sum = Ratio.ZERO;
        for (Element element : elements) {
            sum = sum.plus(element.length());
        }
        return sum;
    }

    public Bar withElements(List<Element> newElements) {
        return new Bar(number, newElements, closing, ending, part, endsSystem);
    }

    public Bar withNumber(int newNumber) {
        return new Bar(newNumber, elements, closing, ending, part, endsSystem);
    }
}
