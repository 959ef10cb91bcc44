package apodex.intake;

import apodex.audio.Digests;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Checksums of files as tools write them: a hash and a path a line ({@code sha256sum}, {@code md5sum}), or the algorithm, the path in
 * brackets and the hash.
 *
 * @param algorithm as Java calls it
 * @param hashes    by path, beside the list
 */
record ChecksumList(String algorithm, Map<String, String> hashes) {
    private static final int LONGEST_FILE = 16 << 20;
    private static final Pattern PLAIN =
            Pattern.compile("\\\\?([0-9a-fA-F]{32}|[0-9a-fA-F]{40}|[0-9a-fA-F]{64})\\s+\\*?(.+)");
    private static final Pattern NAMED =
            Pattern.compile("(?:MD5|SHA1|SHA256)\\s*\\((.+)\\)\\s*=\\s*([0-9a-fA-F]{32,64})", Pattern.CASE_INSENSITIVE);
    private static final Map<Integer, String> ALGORITHMS = Map.of(32, "MD5", 40, "SHA-1", 64, "SHA-256");

    /** The list in a file, where every line that says something is one of a list. */
    static Optional<ChecksumList> read(Path file) throws IOException {
        if (Files.size(file) > LONGEST_FILE) {
            return Optional.empty();
        }
        Map<String, String> hashes = new LinkedHashMap<>();
        for (String line : CsvTable.decode(Files.readAllBytes(file)).split("\\R")) {
            String plain = line.strip();
            if (plain.isEmpty() || plain.startsWith("#") || plain.startsWith(";")) {
                continue;
            }
            Matcher one = PLAIN.matcher(plain);
            Matcher other = NAMED.matcher(plain);
            if (one.matches()) {
                hashes.put(path(one.group(2)), one.group(1).toLowerCase(Locale.ROOT));
            } else if (other.matches()) {
                hashes.put(path(other.group(1)), other.group(2).toLowerCase(Locale.ROOT));
            } else {
                return Optional.empty();
            }
        }
        String algorithm = hashes.values().stream()
                .findFirst()
                .map(hash -> ALGORITHMS.get(hash.length()))
                .orElse(null);
        return algorithm == null ? Optional.empty() : Optional.of(new ChecksumList(algorithm, hashes));
    }

    private static String path(String written) {
        return written.strip().replace('\\', '/').replaceFirst("^(?:\\./)+", "");
    }

    /** Whether it names files by what the store knows its recordings by. */
    boolean isByRecording() {
        return algorithm.equals("SHA-256");
    }

    /** The hash of a file by this list's algorithm. */
    String of(Path file) throws IOException {
        if (isByRecording()) {
            return Digests.sha256(file);
        }
        try (InputStream in = Files.newInputStream(file)) {
            MessageDigest digest = MessageDigest.getInstance(algorithm);
            byte[] buffer = new byte[1 << 16];
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                digest.update(buffer, 0, read);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Java always knows " + algorithm + ".", e);
        }
    }
}
