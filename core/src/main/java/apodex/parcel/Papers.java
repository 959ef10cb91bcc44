package apodex.parcel;

import apodex.handoff.AsPlanned;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.notes.MidiFile;
import apodex.proof.Proof;
import apodex.session.Recording;
import apodex.session.Session;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Everything in a parcel that is no sound and no notes: sheet, lists, and what lays the files out in other programs. */
public final class Papers {
    static final String TIMELINE = "Timeline.otio";
    static final String CLIPS = "clips.csv";
    static final String TEMPO_MAP = "Tempo map.mid";
    static final String EDITS = "Edits.otio";
    static final String EDITS_CSV = "edits.csv";

    private Papers() {}

    /** Where papers lie that come with a plan, in the order they are shown. */
    public static List<String> paths(Plan plan) {
        List<String> names = new ArrayList<>(List.of(
                Sheet.TEXT_NAME,
                Sheet.HTML_NAME,
                Sheet.PDF_NAME,
                Manifest.JSON_NAME,
                Manifest.CSV_NAME,
                MovesTable.NAME));
        if (plan.layOut()) {
            names.add(HowToLoad.NAME);
            for (String name : List.of(TIMELINE, CLIPS, TEMPO_MAP)) {
                plan.sections().forEach(section -> names.add(section.inName(name)));
            }
        }
        if (!plan.edits().isEmpty()) {
            names.addAll(List.of(EDITS, EDITS_CSV));
        }
        if (plan.document()) {
            names.add(document(plan));
        }
        return names.stream().map(name -> inFolder(plan, name)).toList();
    }

    /**
     * Writes them, by their paths.
     *
     * @param session  as it is
     * @param document the session as a document that opens in Apodex
     */
    static Map<String, byte[]> of(
            Session session, Handoff handoff, Plan plan, Proof proof, Sheet sheet, String document, LocalDate day)
            throws IOException {
        Session planned = AsPlanned.of(session, handoff);
        Manifest manifest = Manifest.of(planned, handoff, plan, proof);
        Map<String, byte[]> papers = new LinkedHashMap<>();
        papers.put(Sheet.TEXT_NAME, utf8(SheetText.of(sheet)));
        papers.put(Sheet.HTML_NAME, utf8(SheetHtml.of(sheet)));
        papers.put(Sheet.PDF_NAME, SheetPdf.of(sheet, day));
        papers.put(Manifest.JSON_NAME, utf8(manifest.json()));
        papers.put(Manifest.CSV_NAME, utf8(manifest.csv()));
        papers.put(MovesTable.NAME, utf8(MovesTable.csv(MovesTable.of(planned, plan))));
        if (plan.layOut()) {
            papers.put(HowToLoad.NAME, utf8(SheetHtml.of(HowToLoad.of(planned, plan))));
            for (PlannedSection section : plan.sections()) {
                Session printed = PrintedSession.of(planned, plan, proof, section);
                papers.put(
                        section.inName(TIMELINE), OtioWriter.of(printed, recording -> up(plan) + recording.fileName()));
                papers.put(section.inName(CLIPS), utf8(ClipsCsv.of(printed, Recording::fileName)));
                papers.put(
                        section.inName(TEMPO_MAP),
                        MidiFile.ofSong(
                                planned,
                                section.passage().range(),
                                section.passage().leadInFrames()));
            }
        }
        if (!plan.edits().isEmpty()) {
            Session edited = EditedSession.of(planned, plan);
            papers.put(EDITS, OtioWriter.of(edited, recording -> up(plan) + recording.fileName()));
            papers.put(EDITS_CSV, utf8(ClipsCsv.of(edited, Recording::fileName)));
        }
        if (plan.document()) {
            papers.put(document(plan), utf8(document));
        }
        Map<String, byte[]> byPath = new LinkedHashMap<>();
        papers.forEach((name, bytes) -> byPath.put(inFolder(plan, name), bytes));
        return byPath;
    }

    /** From where papers lie to where folders of sounds do. */
    private static String up(Plan plan) {
        return plan.sheet().isEmpty() ? "" : "../";
    }

    /** Whether a file of this name beside a manifest lays out or tells again what the manifest says, or the list of edits. */
    public static boolean isTold(String name) {
        return List.of(TIMELINE, CLIPS, TEMPO_MAP, EDITS, MovesTable.NAME, Plan.BEAT).stream()
                .anyMatch(own -> {
                    int dot = own.lastIndexOf('.');
                    String stem = own.substring(0, dot);
                    return name.equals(own) || name.startsWith(stem + " - ") && name.endsWith(own.substring(dot));
                });
    }

    /** For sentences. */
    static String perSection(Plan plan, String name) {
        return plan.sections().stream().map(section -> section.inName(name)).collect(Collectors.joining(", "));
    }

    private static String document(Plan plan) {
        return plan.name() + ".session.json";
    }

    private static String inFolder(Plan plan, String name) {
        return plan.sheet().isEmpty() ? name : plan.sheet() + "/" + name;
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }
}
