package apodex.server.runs;

import apodex.handoff.Print;
import apodex.parcel.Parcel;
import apodex.parcel.Sheet;
import apodex.parcel.ZipPieces;
import apodex.server.storage.Storage;
import apodex.server.web.Refused;
import apodex.server.web.StorageAway;
import jakarta.annotation.Nullable;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpRange;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;

/** Hands out what a run that is done has made. Whether somebody may have it is asked before. */
@Component
public class RunFiles {
    private final RunMapper mapper;
    private final Storage storage;

    RunFiles(RunMapper mapper, Storage storage) {
        this.mapper = mapper;
        this.storage = storage;
    }

    /** How a printed file looks. */
    public ResponseEntity<byte[]> picture(String runId, int file) throws IOException {
        try {
            return ResponseEntity.ok()
                    .cacheControl(CacheControl.noCache()) // read again, a file may look otherwise
                    .body(stored(runId).picture(file));
        } catch (FileNotFoundException e) {
            throw Refused.notFound("This run has no such file yet.");
        }
    }

    /** The session sheet, made anew from what the run keeps. */
    public ResponseEntity<byte[]> sheet(String runId, SheetForm form) throws IOException {
        Run run = mapper.find(runId);
        Parcel parcel = new Parcel(run.session(), run.handoff(), run.plan(), run.proof(), "");
        byte[] sheet =
                switch (form) {
                    case text -> parcel.sheetText().getBytes(StandardCharsets.UTF_8);
                    case html -> parcel.sheetHtml().getBytes(StandardCharsets.UTF_8);
                    case pdf -> parcel.sheetPdf();
                };
        ResponseEntity.BodyBuilder answer = ResponseEntity.ok().contentType(form.type());
        if (form == SheetForm.html) {
            // the page holds words people typed; nothing in it may run or be fetched
            answer.header(
                    "Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'self'");
        }
        if (form == SheetForm.pdf) {
            answer.header(
                    HttpHeaders.CONTENT_DISPOSITION,
                    ContentDisposition.inline().filename(Sheet.PDF_NAME).build().toString());
        }
        return answer.body(sheet);
    }

    /**
     * One zip of the parcel, with byte ranges; made of the printed files as it goes.
     *
     * @param range what of it is wanted, as the header says
     */
    public ResponseEntity<Resource> parcel(String runId, int part, @Nullable String range) throws IOException {
        List<RunMapper.StoredParcel> parcels = mapper.parcels(runId);
        if (part < 0 || part >= parcels.size()) {
            throw Refused.notFound("This parcel has no part " + (part + 1) + ".");
        }
        RunMapper.StoredParcel parcel = parcels.get(part);
        StoredRun stored = stored(runId);
        MediaType type = MediaType.parseMediaType("application/zip");
        Optional<Storage.Kept> written = stored.writtenZip(parcel.zipName());
        Resource zip = written.isPresent()
                ? StoredResource.of(
                        written.get(), written.get().path(), (path, at) -> storage.open(stored.name(), path, at))
                : new StoredResource(pieces(runId, part, stored), stored.source());
        return answer(zip, parcel.zipName(), runId + "-" + part, type, range);
    }

    private ZipPieces pieces(String runId, int part, StoredRun stored) throws IOException {
        ZipPieces zip;
        try {
            zip = stored.zip(part);
        } catch (StorageAway e) {
            throw e;
        } catch (IOException e) {
            throw Refused.notFound("The parcel of this run is not on the disk any more.");
        }
        Map<String, Storage.Kept> lying = stored.files().stream()
                .collect(
                        Collectors.toMap(kept -> kept.path().substring(RunFolder.FILES.length()), Function.identity()));
        HandedOut handedOut = handedOut(mapper.find(runId), path -> Optional.ofNullable(lying.get(path)));
        zip.files().forEach(piece -> handedOut.check(piece.path(), piece.length()));
        return zip;
    }

    private HandedOut handedOut(Run run, HandedOut.Lying lying) {
        return new HandedOut(lying, run.proof().files(), mapper.files(run.id()));
    }

    /** One printed file, with byte ranges. */
    public ResponseEntity<Resource> file(String runId, int index, @Nullable String range) {
        Run run = mapper.find(runId);
        List<Print> prints = run.plan().prints();
        if (index < 0 || index >= prints.size()) {
            throw Refused.notFound("This parcel has no such file.");
        }
        Print print = prints.get(index);
        MediaType type = MediaType.parseMediaType(run.plan().format().mediaType());
        StoredRun stored = stored(runId);
        Storage.Kept file = handedOut(run, stored::file).check(print.path(), print.bytes());
        return answer(
                StoredResource.of(file, print.path(), stored.source()),
                print.file(),
                run.proof().files().get(index).sha256(),
                type,
                range);
    }

    private static ResponseEntity<Resource> answer(
            Resource resource, String name, String tag, MediaType type, @Nullable String range) {
        if (range != null && !canBeSatisfied(resource, range)) {
            // answered here: left to itself, the framework sends the whole file along with the refusal
            return ResponseEntity.status(HttpStatus.REQUESTED_RANGE_NOT_SATISFIABLE)
                    .header(HttpHeaders.CONTENT_RANGE, "bytes */" + length(resource))
                    .build();
        }
        return ResponseEntity.ok()
                .eTag(tag)
                .header(HttpHeaders.CONTENT_DISPOSITION, disposition(name))
                .contentType(type)
                .body(resource);
    }

    private static boolean canBeSatisfied(Resource resource, String range) {
        try {
            return !HttpRange.toResourceRegions(HttpRange.parseRanges(range), resource)
                    .isEmpty();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static long length(Resource resource) {
        try {
            return resource.contentLength();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Names of ASCII alone go out plainly, since simple clients do not read the encoded form. */
    private static String disposition(String name) {
        ContentDisposition.Builder attachment = ContentDisposition.attachment();
        boolean plain = StandardCharsets.US_ASCII.newEncoder().canEncode(name);
        return (plain ? attachment.filename(name) : attachment.filename(name, StandardCharsets.UTF_8))
                .build()
                .toString();
    }

    private StoredRun stored(String id) {
        return new StoredRun(storage, mapper.storedAs(id));
    }
}
