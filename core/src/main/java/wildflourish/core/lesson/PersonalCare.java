package wildflourish.core.lesson;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import wildflourish.core.practice.Care;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.Rest;

/**
 * What a student's hands ask for: by how they have practised of late, and by their instrument. It reminds and is no medical advice. That much more in a week than in the week
 * before is a strain, and when to rest, are common practice.
 */
public final class PersonalCare {

    private static final int WEEK = 7;

    private PersonalCare() {}

    /** Sentences, those about their own practice first. {@code passes} are theirs, the oldest first. */
    public static List<String> of(Student student, List<LoggedPass> passes, LocalDate today, ZoneId zone) {
        List<String> all = new ArrayList<>();
        List<LoggedPass> late = passes.stream().filter(p -> day(p, zone).isAfter(today.minusDays(WEEK))).toList();
        double longest = longest(late);
        if (longest >= Rest.USUAL.afterMinutes()) {
            all.add("Played %d minutes in one go this week: rest after %d.".formatted(Math.round(longest), Math.round(Rest.USUAL.afterMinutes())));
        }
        double now = minutes(late);
        double before = minutes(passes.stream().filter(p -> !day(p, zone).isAfter(today.minusDays(WEEK)) && day(p, zone).isAfter(today.minusDays(2L * WEEK))).toList());
        if (now >= LessonRule.USUAL.muchMinutes() && now > LessonRule.USUAL.suddenly() * before) {
            all.add("%d minutes this week after %d the week before: more by and by, so that the hands can follow.".formatted(Math.round(now), Math.round(before)));
        }
        all.addAll(Care.of(student.plays().family(), student.school()));
        return all;
    }

    private static LocalDate day(LoggedPass pass, ZoneId zone) {
        return pass.at().atZone(zone).toLocalDate();
    }

    private static double minutes(List<LoggedPass> passes) {
        return passes.stream().mapToDouble(LoggedPass::seconds).sum() / 60;
    }

    /** Minutes of the longest playing without a pause that is one. */
    private static double longest(List<LoggedPass> passes) {
        double longest = 0;
        double here = 0;
        Instant end = Instant.MIN;
        for (LoggedPass pass : passes) {
            boolean rested = end.equals(Instant.MIN) || Duration.between(end, pass.at()).toMillis() >= Rest.USUAL.pauseMinutes() * 60_000;
            here = (rested ? 0 : here) + pass.seconds() / 60;
            longest = Math.max(longest, here);
            end = pass.at().plusMillis(Math.round(pass.seconds() * 1000));
        }
        return longest;
    }
}
