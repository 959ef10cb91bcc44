package apodex.server.storage;

import apodex.server.web.StorageAway;
import jakarta.annotation.Nullable;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedByInterruptException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import java.util.zip.CRC32;
import java.util.zip.Checksum;
import software.amazon.awssdk.core.async.AsyncRequestBody;
import software.amazon.awssdk.core.async.AsyncResponseTransformer;
import software.amazon.awssdk.core.exception.SdkException;
import software.amazon.awssdk.services.s3.S3AsyncClient;
import software.amazon.awssdk.services.s3.model.ListMultipartUploadsResponse;
import software.amazon.awssdk.services.s3.model.ListObjectsV2Response;
import software.amazon.awssdk.services.s3.model.NoSuchKeyException;
import software.amazon.awssdk.services.s3.model.ObjectIdentifier;
import software.amazon.awssdk.services.s3.model.S3Exception;

/** Objects of one bucket, in words of this house: keys in, files and streams out. */
final class S3Objects implements AutoCloseable {
    /** From here on a file goes there in parts, which carry checksums of their own behind them. */
    static final long IN_PARTS_FROM_BYTES = 128L << 20;

    /** What one request removes at most, by the interface. */
    private static final int REMOVED_AT_ONCE = 1000;

    private static final int AT_ONCE = 8;
    private static final int NOT_FOUND = 404;
    private static final int READ_AT_ONCE = 1 << 18;

    private final S3AsyncClient puts;
    private final S3AsyncClient gets;
    private final String bucket;
    private final Semaphore places = new Semaphore(AT_ONCE);

    /** @param puts in several parts, where a file is long */
    S3Objects(S3AsyncClient puts, S3AsyncClient gets, String bucket) {
        this.puts = puts;
        this.gets = gets;
        this.bucket = bucket;
    }

    /** An object. @param tag what it was made of, as the store says */
    record Found(String key, long length, String tag) {}

    /** What is on its way; several can be at once, and who begins one more waits. */
    CompletableFuture<Found> put(String key, Path file) throws IOException {
        long length = Files.size(file);
        Checksum whole = length < IN_PARTS_FROM_BYTES ? crc32(file) : null;
        return put(key, length, whole, AsyncRequestBody.fromFile(body -> body.path(file)
                .chunkSizeInBytes(READ_AT_ONCE)));
    }

    Found put(String key, byte[] content) throws IOException {
        CRC32 whole = new CRC32();
        whole.update(content);
        return await(put(key, content.length, whole, AsyncRequestBody.fromBytes(content)));
    }

    /**
     * @param whole said before the content, so that the store refuses what came otherwise; null where parts are checked. Said behind it, as
     *     the library does by itself, it would be of what was read on the way, and costs some stores several times the work.
     */
    private CompletableFuture<Found> put(String key, long length, @Nullable Checksum whole, AsyncRequestBody body) {
        String said = whole == null
                ? null
                : Base64.getEncoder()
                        .encodeToString(ByteBuffer.allocate(Integer.BYTES)
                                .putInt((int) whole.getValue())
                                .array());
        return within(
                () -> puts.putObject(request -> request.bucket(bucket).key(key).checksumCRC32(said), body)
                        .thenApply(answer -> new Found(key, length, answer.eTag())));
    }

    private static Checksum crc32(Path file) throws IOException {
        CRC32 sum = new CRC32();
        ByteBuffer some = ByteBuffer.allocateDirect(READ_AT_ONCE);
        try (FileChannel in = FileChannel.open(file)) {
            while (in.read(some.clear()) >= 0) {
                sum.update(some.flip());
            }
        } catch (ClosedByInterruptException e) {
            throw goingDown();
        }
        return sum;
    }

    CompletableFuture<?> get(String key, Path to) {
        return within(
                () -> gets.getObject(request -> request.bucket(bucket).key(key), AsyncResponseTransformer.toFile(to)));
    }

    byte[] bytes(String key) throws IOException {
        return await(gets.getObject(request -> request.bucket(bucket).key(key), AsyncResponseTransformer.toBytes()))
                .asByteArray();
    }

    InputStream open(String key, long from) throws IOException {
        return await(gets.getObject(
                request -> request.bucket(bucket).key(key).range("bytes=" + from + "-"),
                AsyncResponseTransformer.toBlockingInputStream()));
    }

    private <T> CompletableFuture<T> within(Supplier<CompletableFuture<T>> work) {
        try {
            places.acquire();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw goingDown();
        }
        try {
            return work.get().whenComplete((done, failed) -> places.release());
        } catch (RuntimeException e) {
            places.release();
            throw e;
        }
    }

    /** No fault of what was to be put there. */
    private static CancellationException goingDown() {
        return new CancellationException("The server is going down.");
    }

    Optional<Found> find(String key) throws IOException {
        try {
            var head = await(gets.headObject(request -> request.bucket(bucket).key(key)));
            return Optional.of(new Found(key, head.contentLength(), head.eTag()));
        } catch (FileNotFoundException e) {
            return Optional.empty();
        }
    }

    List<Found> list(String prefix) throws IOException {
        List<Found> all = new ArrayList<>();
        String next = null;
        do {
            String from = next;
            ListObjectsV2Response page = await(gets.listObjectsV2(
                    request -> request.bucket(bucket).prefix(prefix).continuationToken(from)));
            page.contents().forEach(each -> all.add(new Found(each.key(), each.size(), each.eTag())));
            next = page.nextContinuationToken();
        } while (next != null);
        return all;
    }

    /** Removes all objects whose keys begin so, and what was begun and never finished. */
    void removeAll(String prefix) throws IOException {
        ListMultipartUploadsResponse begun = await(
                gets.listMultipartUploads(request -> request.bucket(bucket).prefix(prefix)));
        for (var upload : begun.uploads()) {
            await(gets.abortMultipartUpload(
                    request -> request.bucket(bucket).key(upload.key()).uploadId(upload.uploadId())));
        }
        List<ObjectIdentifier> keys = list(prefix).stream()
                .map(found -> ObjectIdentifier.builder().key(found.key()).build())
                .toList();
        for (int from = 0; from < keys.size(); from += REMOVED_AT_ONCE) {
            List<ObjectIdentifier> some = keys.subList(from, Math.min(keys.size(), from + REMOVED_AT_ONCE));
            await(gets.deleteObjects(request -> request.bucket(bucket).delete(delete -> delete.objects(some))));
        }
    }

    void remove(String key) throws IOException {
        await(gets.deleteObject(request -> request.bucket(bucket).key(key)));
    }

    /** @throws FileNotFoundException when there is no such object */
    static <T> T await(CompletableFuture<T> work) throws IOException {
        try {
            return work.join();
        } catch (CompletionException e) {
            Throwable why = e.getCause();
            if (why instanceof NoSuchKeyException
                    || why instanceof S3Exception answer && answer.statusCode() == NOT_FOUND) {
                throw new FileNotFoundException("It is not in the storage any more.");
            }
            if (why instanceof SdkException) {
                throw new StorageAway(why);
            }
            throw why instanceof IOException io ? io : new IOException(why);
        }
    }

    @Override
    public void close() {
        puts.close();
        gets.close();
    }
}
