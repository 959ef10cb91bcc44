package apodex.server.runs;

import jakarta.annotation.Nullable;
import java.util.List;

/**
 * What changed since a handoff's last run.
 *
 * @param number of the last run that is done; null when there is none
 * @param words  what was done since, a sentence each
 * @param fresh  paths of the files that have to be printed
 * @param same   how many files are as they were
 */
public record SinceLastRun(@Nullable Integer number, List<String> words, List<String> fresh, int same) {}
