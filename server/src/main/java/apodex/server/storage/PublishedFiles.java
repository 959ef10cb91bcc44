package apodex.server.storage;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** What a thing consists of, as it was when it was published. */
record PublishedFiles(List<Entry> files) {
    /** @param tag what the store says it was made of */
    record Entry(String path, long length, long modifiedMillis, String tag) {
        Storage.Kept asFound(S3Objects.Found found) {
            return new Storage.Kept(
                    path,
                    found.length(),
                    modifiedMillis,
                    found.length() == length && found.tag().equals(tag));
        }
    }

    Map<String, Entry> byPath() {
        return files.stream().collect(Collectors.toMap(Entry::path, Function.identity()));
    }
}
