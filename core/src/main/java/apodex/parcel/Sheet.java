package apodex.parcel;

import apodex.proof.Verdict;
import java.util.List;

/**
 * The session sheet before it is set: what it says, in order. Text, HTML and PDF are made from this one source.
 *
 * @param title  the song
 * @param under  what stands below it: artist, for whom
 * @param blocks what follows
 */
public record Sheet(String title, String under, List<Block> blocks) {
    /** Names of the files a sheet comes as. */
    public static final String TEXT_NAME = "Session sheet.txt";

    public static final String HTML_NAME = "Session sheet.html";
    public static final String PDF_NAME = "Session sheet.pdf";

    public Sheet {
        blocks = List.copyOf(blocks);
    }

    /** A part of the sheet. */
    public sealed interface Block permits Heading, Facts, Paragraph, Table, RowCard, Finding {}

    public record Heading(String text) implements Block {}

    /** Names and what they are. */
    public record Facts(List<Fact> facts) implements Block {
        public Facts {
            facts = List.copyOf(facts);
        }
    }

    /** @param name may be empty: goes on with the one before */
    public record Fact(String name, String value) {}

    public record Paragraph(String text) implements Block {}

    /**
     * Columns of words and figures.
     *
     * @param figures by column: set in figures and to the right
     */
    public record Table(List<String> head, List<Boolean> figures, List<List<String>> rows) implements Block {
        public Table {
            head = List.copyOf(head);
            figures = List.copyOf(figures);
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    /**
     * One row of the session.
     *
     * @param line  its way to the mix, a stop for each station
     * @param about what was left out, noted or trimmed, a sentence each
     */
    public record RowCard(String number, String name, List<Stop> line, List<String> about) implements Block {
        public RowCard {
            line = List.copyOf(line);
            about = List.copyOf(about);
        }
    }

    /** What becomes of a row at a station. */
    public enum Stop {
        /** It sounds as it did at the station before. */
        NONE,
        /** A file could be taken here. */
        OFFERED,
        /** A file was taken here. */
        PRINTED
    }

    /**
     * One thing the proof says.
     *
     * @param grade how it stands
     */
    public record Finding(Verdict.Grade grade, String headline, String detail) implements Block {}
}
