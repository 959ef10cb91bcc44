package apodex.intake;

import apodex.examine.Oddity;
import apodex.intake.Seat.Use;
import java.util.ArrayList;
import java.util.List;

/**
 * What to write back to the sender: what arrived, what is missing or odd, in words that can be acted on. As text and as a page, of one
 * source.
 *
 * @param title    of the song
 * @param sections in order; none is empty
 */
public record Reply(String title, List<Section> sections) {
    /** Lines under a heading. */
    public record Section(String heading, List<String> lines) {}

    public static Reply of(Intake intake) {
        List<Section> sections = new ArrayList<>();
        List<IntakeFile> sounds = intake.sounds();
        List<String> arrived = new ArrayList<>();
        arrived.add(count(sounds.size(), "recording") + " arrived"
                + (intake.parcel() == null
                        ? "."
                        : "; " + count(intake.parcel().verified(), "file") + " matched the checksums."));
        intake.reference().ifPresent(file -> arrived.add("The mix to compare with is “" + file.name() + "”."));
        add(sections, "What arrived", arrived);
        add(sections, "Please send again", again(intake));
        add(
                sections,
                "Please look at these",
                Questions.of(intake).stream().map(Question::words).toList());
        add(sections, "What we noticed", noticed(intake));
        add(sections, "Only so that you know", harmless(intake));
        return new Reply(intake.title(), sections);
    }

    private static void add(List<Section> sections, String heading, List<String> lines) {
        if (!lines.isEmpty()) {
            sections.add(new Section(heading, lines));
        }
    }

    private static List<String> again(Intake intake) {
        List<String> lines = new ArrayList<>();
        intake.refused().forEach(refusal -> lines.add("“" + refusal.file() + "” cannot be used. " + refusal.reason()));
        intake.missing().forEach(name -> lines.add("“" + name + "” is named by a list and did not come."));
        if (intake.parcel() != null) {
            intake.parcel()
                    .missing()
                    .forEach(name -> lines.add("“" + name + "” is named by the checksums and did not come."));
            intake.parcel().altered().stream()
                    .filter(name -> intake.refused().stream()
                            .noneMatch(refusal -> refusal.file().equals(name)))
                    .forEach(name -> lines.add("“" + name + "” is not the file the checksum was made of."));
        }
        return lines;
    }

    private static List<String> noticed(Intake intake) {
        return oddities(intake, true);
    }

    private static List<String> harmless(Intake intake) {
        List<String> lines = new ArrayList<>(oddities(intake, false));
        intake.remarks().forEach(remark -> lines.add("“" + remark.file() + "”: " + remark.reason()));
        return lines;
    }

    private static List<String> oddities(Intake intake, boolean faults) {
        List<String> lines = new ArrayList<>();
        for (IntakeFile file : intake.sounds()) {
            for (Oddity oddity : file.heard().oddities()) {
                if (oddity.kind().isFault() == faults && file.seat().use() != Use.LEFT_OUT) {
                    lines.add("“" + file.name() + "”: " + oddity.words());
                }
            }
        }
        return lines;
    }

    private static String count(int count, String what) {
        return count + " " + what + (count == 1 ? "" : "s");
    }

    /** To be pasted into a message. */
    public String text() {
        StringBuilder out = new StringBuilder(title).append("\n");
        for (Section section : sections) {
            out.append("\n").append(section.heading()).append("\n");
            section.lines().forEach(line -> out.append("- ").append(line).append("\n"));
        }
        return out.toString();
    }

    /** As a page of its own. */
    public String html() {
        StringBuilder out = new StringBuilder("<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>");
        out.append(plain(title)).append("</title><h1>").append(plain(title)).append("</h1>");
        for (Section section : sections) {
            out.append("<h2>").append(plain(section.heading())).append("</h2><ul>");
            section.lines()
                    .forEach(line -> out.append("<li>").append(plain(line)).append("</li>"));
            out.append("</ul>");
        }
        return out.append("</html>\n").toString();
    }

    private static String plain(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
