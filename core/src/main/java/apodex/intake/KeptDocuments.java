package apodex.intake;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** What came with a drop and is no recording, kept until the session is made. */
final class KeptDocuments {
    /** By their ids in the intake. */
    final Map<String, DroppedFile> byId = new LinkedHashMap<>();

    private KeptDocuments() {}

    /** Puts one into {@code kept}. @param number of its id */
    static void keep(DroppedFile file, Path kept, int number) throws IOException {
        Path folder = Files.createDirectories(kept.resolve(Integer.toString(number)));
        Files.copy(file.content(), folder.resolve("content"));
        Files.writeString(folder.resolve("path"), file.path());
    }

    static KeptDocuments of(Path kept) throws IOException {
        KeptDocuments documents = new KeptDocuments();
        if (!Files.isDirectory(kept)) {
            return documents;
        }
        try (Stream<Path> folders = Files.list(kept)) {
            for (Path folder : folders.sorted(Comparator.comparingInt(
                            each -> Integer.parseInt(each.getFileName().toString())))
                    .toList()) {
                String path = Files.readString(folder.resolve("path"));
                int slash = path.lastIndexOf('/');
                DroppedFile file = new DroppedFile(
                        slash < 0 ? "" : path.substring(0, slash),
                        path.substring(slash + 1),
                        folder.resolve("content"));
                documents.byId.put("f" + folder.getFileName(), file);
            }
        }
        return documents;
    }

    List<DroppedFile> files() {
        return List.copyOf(byId.values());
    }

    /** How the tables among them are read in an intake. */
    Sorted.Forms forms(Intake intake) {
        return (file, table) -> byId.entrySet().stream()
                .filter(each -> each.getValue().equals(file))
                .map(each -> intake.file(each.getKey()).form())
                .flatMap(form -> Optional.ofNullable(form).stream())
                .findFirst();
    }
}
