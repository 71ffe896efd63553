package wildflourish.core.growth;

import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Verdict;

/**
 * An ornament considered for a note.
 *
 * @param gain how much a player likes it there, by the taste rules; 0 when no rule speaks for it
 * @param because the reason of the rule that counts most; empty when none does
 */
public record Candidate(int note, Ornament ornament, Verdict verdict, int gain, String because) {}
