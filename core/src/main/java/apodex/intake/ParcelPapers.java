package apodex.intake;

import apodex.parcel.Manifest;
import apodex.parcel.Papers;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What lies in a parcel beside the sound: our manifest, anybody's checksums, and papers that are for people. */
final class ParcelPapers {
    private static final Set<String> FOR_PEOPLE = Set.of(
            "txt", "html", "htm", "pdf", "md", "rtf", "doc", "docx", "odt", "jpg", "jpeg", "png", "gif", "nfo", "xlsx",
            "ods");

    /** Columns of a list whose headings say what they are. */
    private static final int LEAST_KNOWN = 2;

    /** Our own parcel's list of files; null where it is none. */
    @Nullable
    Manifest manifest;

    private String manifestFolder = "";
    /** Everything that is for programs and is no part of the session. */
    final List<DroppedFile> papers = new ArrayList<>();
    /** What may be sound, notes or a list. */
    final List<DroppedFile> rest = new ArrayList<>();

    final List<Refusal> remarks = new ArrayList<>();
    private final Map<String, String> expected = new LinkedHashMap<>();
    private final Map<String, String> named = new HashMap<>();
    private final Map<String, ChecksumList> listOf = new HashMap<>();
    /** What files' bytes are called by the algorithm of the list that names them. */
    private final Map<String, String> found = new HashMap<>();

    private ParcelPapers() {}

    static ParcelPapers of(List<DroppedFile> files) throws IOException {
        ParcelPapers papers = new ParcelPapers();
        for (DroppedFile file : files) {
            papers.take(file);
        }
        if (papers.manifest != null) {
            List<DroppedFile> told = papers.rest.stream()
                    .filter(file -> file.folder().equals(papers.manifestFolder) && Papers.isTold(file.name()))
                    .toList();
            papers.rest.removeAll(told);
            papers.papers.addAll(told);
        }
        for (DroppedFile file : files) {
            ChecksumList list = papers.listOf.get(key(file.path()));
            if (list != null && !list.isByRecording()) { // recordings are moved into the store, by their SHA-256
                papers.found.put(key(file.path()), list.of(file.content()));
            }
        }
        return papers;
    }

    /** A text can be for people, or a list that a program wrote. */
    private static boolean isList(DroppedFile file, String ending) throws IOException {
        return ending.equals("txt")
                && CsvTable.read(file.content())
                        .filter(table -> table.isLikelyAList()
                                && ClipListForm.guess(table).known() >= LEAST_KNOWN)
                        .isPresent();
    }

    /** The list of files beside our manifest says nothing that the manifest does not. */
    private static boolean isOurList(DroppedFile file) throws IOException {
        return file.name().equals(Manifest.CSV_NAME)
                && CsvTable.read(file.content())
                        .filter(table -> table.headings().contains("sha256"))
                        .isPresent();
    }

    private void take(DroppedFile file) throws IOException {
        String ending = file.name().substring(file.name().lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        if (ending.equals("json") && isManifest(file)) {
            papers.add(file);
            try {
                manifest = Manifest.read(file.content());
                // the sheet's folder may be a folder of its own beside those of the sound
                manifestFolder = file.folder();
            } catch (IOException e) {
                remarks.add(new Refusal(file.name(), e.getMessage()));
            }
            return;
        }
        Optional<ChecksumList> list = isText(file) ? ChecksumList.read(file.content()) : Optional.empty();
        if (list.isPresent()) {
            papers.add(file);
            list.get().hashes().forEach((path, hash) -> {
                String whole = file.folder().isEmpty() ? path : file.folder() + "/" + path;
                String key = key(whole);
                named.put(key, path);
                expected.put(key, hash);
                listOf.put(key, list.get());
            });
        } else if (FOR_PEOPLE.contains(ending) && !isList(file, ending) || isOurList(file)) {
            papers.add(file);
        } else {
            rest.add(file);
        }
    }

    private static boolean isManifest(DroppedFile file) throws IOException {
        try (var in = Files.newInputStream(file.content())) {
            String start = new String(in.readNBytes(400), StandardCharsets.UTF_8);
            return start.replaceAll("\\s", "").startsWith("{\"manifest\":");
        }
    }

    private static boolean isText(DroppedFile file) throws IOException {
        try (var in = Files.newInputStream(file.content())) {
            for (byte each : in.readNBytes(200)) {
                if (each == 0) {
                    return false;
                }
            }
        }
        return true;
    }

    /** A path under which a file is found whatever a system made of its letters. */
    private static String key(String path) {
        return Normalizer.normalize(path, Normalizer.Form.NFC).toLowerCase(Locale.ROOT);
    }

    /** What the manifest says of a file; null where it says nothing. */
    @Nullable
    Manifest.Entry entry(DroppedFile file) {
        if (manifest == null) {
            return null;
        }
        String path = key(file.path());
        for (Manifest.Entry entry : manifest.files()) {
            String named = key(entry.path());
            boolean below = path.equals(named) || path.endsWith("/" + named);
            if (below && isBeside(path.substring(0, path.length() - named.length()))) {
                return entry;
            }
        }
        return null;
    }

    /** Whether a parcel's root may be there: the manifest lies in it, or in a folder of it. */
    private boolean isBeside(String root) {
        return (key(manifestFolder) + "/").startsWith(root) || root.isEmpty();
    }

    /**
     * Holds what came against the lists.
     *
     * @param sounds recordings that came in, with their hashes
     */
    Optional<ParcelCheck> check(List<DroppedFile> all, List<Sorted.Sound> sounds) throws IOException {
        if (expected.isEmpty()) {
            return Optional.empty();
        }
        Map<String, DroppedFile> came = new HashMap<>();
        all.forEach(file -> came.put(key(file.path()), file));
        sounds.forEach(sound ->
                found.putIfAbsent(key(sound.file().path()), sound.recording().sha256()));
        List<String> missing = new ArrayList<>();
        List<String> altered = new ArrayList<>();
        int verified = 0;
        for (Map.Entry<String, String> each : expected.entrySet()) {
            DroppedFile file = came.get(each.getKey());
            if (file == null) {
                missing.add(named.get(each.getKey()));
            } else if (each.getValue().equals(hash(file))) {
                verified++;
            } else {
                altered.add(file.name());
            }
        }
        List<String> extra = sounds.stream()
                .map(Sorted.Sound::file)
                .filter(file -> came.containsKey(key(file.path()))) // not what was unpacked of one
                .filter(file -> !expected.containsKey(key(file.path())))
                .map(DroppedFile::name)
                .toList();
        return Optional.of(new ParcelCheck(
                manifest == null ? "" : manifest.song(),
                manifest == null ? "" : manifest.receiver(),
                verified,
                missing,
                altered,
                extra));
    }

    private String hash(DroppedFile file) throws IOException {
        String known = found.get(key(file.path()));
        return known != null ? known : listOf.get(key(file.path())).of(file.content());
    }
}
