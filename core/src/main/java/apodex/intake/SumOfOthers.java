package apodex.intake;

import java.util.List;

/**
 * A file that others add up to, where no name says so.
 *
 * @param file      id
 * @param parts     ids of those it is made of
 * @param explained of its energy, 0 to 1
 */
public record SumOfOthers(String file, List<String> parts, double explained) {
    public SumOfOthers {
        parts = List.copyOf(parts);
    }
}
