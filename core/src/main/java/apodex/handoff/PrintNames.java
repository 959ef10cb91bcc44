package apodex.handoff;

import apodex.naming.FileNames;
import apodex.naming.NameStyle;
import apodex.naming.SafeName;
import apodex.session.BusRow;
import apodex.session.PartRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Gives the files of one section their names: number, group, row, marks and what they are, as the style has them. */
final class PrintNames {
    private final Session session;
    private final Handoff handoff;
    private final Settings settings;
    private final FileNames files;
    /** By folder and row. */
    private final Map<String, Map<String, Integer>> placesInFolders = new HashMap<>();

    PrintNames(Session session, Handoff handoff, int rows) {
        this.session = session;
        this.handoff = handoff;
        this.settings = handoff.settled();
        this.files = new FileNames(session, settings.naming(), rows);
    }

    /** What gives out the names, so that no other file gets one of them. */
    FileNames files() {
        return files;
    }

    /**
     * Of a print.
     *
     * @param planned the stations at which its row is printed
     * @param folder  it lies in
     */
    String of(PlanRow row, Station station, Set<Station> planned, Called name, String folder) {
        Row source = session.row(row.row()).orElseThrow();
        String byHand = handoff.row(row.row()).words().get(station);
        String word = byHand == null
                ? WhatWord.of(
                        source,
                        station,
                        planned,
                        row.stations(),
                        settings.naming().words())
                : byHand.isBlank() ? "" : SafeName.of(byHand);
        String whole = ofInstrument(source, name.row());
        return files.next(
                number(folder, row.row(), row.number()),
                group(source),
                WhatWord.fitting(whole, word),
                name.marks(),
                WhatWord.unsaid(whole, word),
                name.side(),
                settings.format().ending());
    }

    /** Of something that is no print of a row's sound. */
    String of(String folder, String row, int inSession, String name, String ending) {
        return files.next(number(folder, row, inSession), "", name, "", ending);
    }

    /** Of something that is of no row. */
    String unnumbered(String name, String ending) {
        return files.next(0, "", name, "", ending);
    }

    /** A part of an instrument is called by that as well, unless it is already. */
    private String ofInstrument(Row row, String name) {
        return row instanceof PartRow part
                ? session.row(part.instrument())
                        .map(Row::name)
                        .filter(instrument ->
                                !name.toLowerCase(Locale.ROOT).startsWith(instrument.toLowerCase(Locale.ROOT)))
                        .map(instrument -> instrument + " " + name)
                        .orElse(name)
                : name;
    }

    /** The row's number in the session, or its place among the rows of a folder. */
    private int number(String folder, String row, int inSession) {
        if (settings.naming().numbers() == NameStyle.Numbers.SESSION) {
            return inSession;
        }
        Map<String, Integer> here = placesInFolders.computeIfAbsent(folder, name -> new HashMap<>());
        return here.computeIfAbsent(row, id -> here.size() + 1);
    }

    private String group(Row row) {
        return row.strip().outputs().stream()
                .flatMap(id -> session.row(id).stream())
                .filter(BusRow.class::isInstance)
                .map(Row::name)
                .findFirst()
                .orElse("");
    }
}
