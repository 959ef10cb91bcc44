package apodex.naming;

import apodex.session.Role;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Short forms of names by role, read from {@code abbreviations.csv} beside this class, which says how it is written. */
final class Abbreviations {
    /** What stands after a short form and can change what it reads as. */
    enum Before {
        SIDE,
        NUMBER,
        ANYTHING
    }

    private static final String FILE = "/apodex/naming/abbreviations.csv";
    private static final String EVERY_ROLE = "*";
    /** Shorter ones mean too many things to be taken from another role's table. */
    private static final int SURE_LETTERS = 3;

    private static final Map<String, Map<String, String>> TABLE = read();

    private Abbreviations() {}

    private static Map<String, Map<String, String>> read() {
        Map<String, Map<String, String>> table = new HashMap<>();
        try (BufferedReader in = new BufferedReader(
                new InputStreamReader(Abbreviations.class.getResourceAsStream(FILE), StandardCharsets.UTF_8))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (!line.isBlank() && !line.startsWith("#")) {
                    String[] parts = line.split(";");
                    table.computeIfAbsent(parts[0], role -> new HashMap<>()).put(parts[1], parts[2]);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return table;
    }

    /** What {@code written} (one word or two) reads as on a row of that role. */
    static Optional<String> expand(String written, Role role, Before before) {
        String key = written.toLowerCase(Locale.ROOT);
        Optional<String> special = before == Before.ANYTHING
                ? Optional.empty()
                : lookUp(key + "+" + before.name().toLowerCase(Locale.ROOT), role);
        return special.isPresent() ? special : lookUp(key, role);
    }

    private static Optional<String> lookUp(String key, Role role) {
        for (String name : new String[] {role.words(), EVERY_ROLE}) {
            String found = TABLE.getOrDefault(name, Map.of()).get(key);
            if (found != null) {
                return Optional.of(found);
            }
        }
        if (role != Role.OTHER && key.length() < SURE_LETTERS) {
            return Optional.empty();
        }
        Set<String> meanings = new HashSet<>();
        TABLE.values().forEach(shorts -> {
            if (shorts.containsKey(key)) {
                meanings.add(shorts.get(key));
            }
        });
        return meanings.size() == 1 ? Optional.of(meanings.iterator().next()) : Optional.empty();
    }

    /** Whether any role's table knows a short form. */
    static boolean isKnown(String word) {
        String key = word.toLowerCase(Locale.ROOT);
        return TABLE.values().stream().anyMatch(shorts -> shorts.containsKey(key));
    }

    /** The one role whose own table knows the word; empty when none or several do. */
    static Optional<Role> roleOf(String word) {
        String key = word.toLowerCase(Locale.ROOT);
        Role found = null;
        for (Role role : Role.values()) {
            Map<String, String> shorts = TABLE.getOrDefault(role.words(), Map.of());
            boolean knows = shorts.containsKey(key) || shorts.values().stream().anyMatch(word::equalsIgnoreCase);
            if (knows && found != null) {
                return Optional.empty();
            }
            found = knows ? role : found;
        }
        return Optional.ofNullable(found);
    }
}
