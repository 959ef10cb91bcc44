package apodex.server.sessions;

import apodex.session.NameRule;
import java.util.Collection;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a duplicate is called: its original's title with the next free number. */
final class DuplicateTitle {
    private static final Pattern NUMBERED = Pattern.compile("(.*) \\((\\d{1,6})\\)");
    /** Leaves room for the number. */
    private static final int LONGEST_STEM = NameRule.LONGEST - 10;

    private DuplicateTitle() {}

    /** @param taken titles there are */
    static String of(String title, Collection<String> taken) {
        Matcher numbered = NUMBERED.matcher(title);
        boolean again = numbered.matches();
        String stem = start(again ? numbered.group(1) : title);
        int number = again ? Integer.parseInt(numbered.group(2)) + 1 : 2;
        while (taken.contains(stem + " (" + number + ")")) {
            number++;
        }
        return stem + " (" + number + ")";
    }

    private static String start(String title) {
        return title.codePointCount(0, title.length()) <= LONGEST_STEM
                ? title
                : title.substring(0, title.offsetByCodePoints(0, LONGEST_STEM)).strip();
    }
}
