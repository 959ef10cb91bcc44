package apodex.server.runs;

import apodex.handoff.Print;
import apodex.parcel.Parcel;
import apodex.parcel.Sheet;
import apodex.parcel.ZipPieces;
import apodex.server.DataFolder;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.springframework.core.io.FileSystemResource;
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
    private final DataFolder dataFolder;

    RunFiles(RunMapper mapper, DataFolder dataFolder) {
        this.mapper = mapper;
        this.dataFolder = dataFolder;
    }

    /** How a printed file looks. */
    public ResponseEntity<byte[]> picture(String runId, int file) throws IOException {
        Path picture = folder(runId).picture(file);
        if (file < 0 || !Files.exists(picture)) {
            throw Refused.notFound("This run has no such file yet.");
        }
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache()) // read again, a file may look otherwise
                .body(Files.readAllBytes(picture));
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
    public ResponseEntity<Resource> parcel(String runId, int part, @Nullable String range) {
        List<RunMapper.StoredParcel> parcels = mapper.parcels(runId);
        if (part < 0 || part >= parcels.size()) {
            throw Refused.notFound("This parcel has no part " + (part + 1) + ".");
        }
        RunMapper.StoredParcel parcel = parcels.get(part);
        RunFolder folder = folder(runId);
        MediaType type = MediaType.parseMediaType("application/zip");
        Optional<Path> written = folder.writtenZip(parcel.zipName());
        Resource zip = written.isPresent()
                ? new FileSystemResource(written.get())
                : new ZipResource(pieces(runId, part, folder), folder.files());
        return answer(zip, parcel.zipName(), runId + "-" + part, type, range);
    }

    private ZipPieces pieces(String runId, int part, RunFolder folder) {
        ZipPieces zip;
        try {
            zip = folder.zip(part);
        } catch (IOException e) {
            throw Refused.notFound("The parcel of this run is not on the disk any more.");
        }
        HandedOut handedOut = handedOut(mapper.find(runId), folder);
        zip.files().forEach(piece -> handedOut.check(piece.path(), piece.length()));
        return zip;
    }

    private HandedOut handedOut(Run run, RunFolder folder) {
        return new HandedOut(folder.files(), run.proof().files(), mapper.files(run.id()));
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
        RunFolder folder = folder(runId);
        handedOut(run, folder).check(print.path(), print.bytes());
        return answer(
                new FileSystemResource(folder.files().resolve(print.path())),
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

    private RunFolder folder(String id) {
        return new RunFolder(dataFolder.run(id));
    }
}
