package apodex.intake;

import apodex.intake.IntakeFile.Kind;
import apodex.session.NameRule;
import apodex.session.Role;
import apodex.session.SetAbout;
import apodex.session.Station;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import jakarta.annotation.Nullable;
import java.util.List;

/** Something put right in an intake, small enough to be undone by itself. {@code files} are ids. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Correction.UseAs.class, name = "useAs"),
    @JsonSubTypes.Type(value = Correction.Beside.class, name = "beside"),
    @JsonSubTypes.Type(value = Correction.InRow.class, name = "inRow"),
    @JsonSubTypes.Type(value = Correction.Noted.class, name = "noted"),
    @JsonSubTypes.Type(value = Correction.ReadAs.class, name = "readAs"),
    @JsonSubTypes.Type(value = Correction.Tempo.class, name = "tempo"),
    @JsonSubTypes.Type(value = Correction.Overlapping.class, name = "overlapping"),
    @JsonSubTypes.Type(value = Correction.OfRole.class, name = "ofRole"),
    @JsonSubTypes.Type(value = Correction.AsTake.class, name = "asTake"),
    @JsonSubTypes.Type(value = Correction.AsSide.class, name = "asSide"),
    @JsonSubTypes.Type(value = Correction.InGroup.class, name = "inGroup"),
    @JsonSubTypes.Type(value = Correction.LieAt.class, name = "lieAt"),
    @JsonSubTypes.Type(value = Correction.Shift.class, name = "shift"),
    @JsonSubTypes.Type(value = Correction.LieAsFound.class, name = "lieAsFound"),
    @JsonSubTypes.Type(value = Correction.TurnOver.class, name = "turnOver"),
    @JsonSubTypes.Type(value = Correction.HasRate.class, name = "hasRate"),
    @JsonSubTypes.Type(value = Correction.Ordered.class, name = "ordered"),
    @JsonSubTypes.Type(value = Correction.Titled.class, name = "titled"),
    @JsonSubTypes.Type(value = Correction.OnItsOwn.class, name = "onItsOwn"),
    @JsonSubTypes.Type(value = Correction.AsItWas.class, name = "asItWas"),
    @JsonSubTypes.Type(value = Correction.Agreed.class, name = "agreed"),
    @JsonSubTypes.Type(value = Correction.Several.class, name = "several")
})
public sealed interface Correction {
    /** The intake as it is from now on. */
    Intake applyTo(Intake intake);

    /** One that is about single files, each by itself. */
    sealed interface OfFiles extends Correction {
        List<String> files();

        IntakeFile applyTo(IntakeFile file);

        @Override
        default Intake applyTo(Intake intake) {
            return intake.withFiles(intake.files().stream()
                    .map(file -> files().contains(file.id()) ? applyTo(file) : file)
                    .toList());
        }
    }

    /** The session that a parcel was printed from is taken up again. */
    record AsItWas() implements Correction {
        @Override
        public Intake applyTo(Intake intake) {
            return intake.along() == null
                    ? intake
                    : intake.along(new CameAlong(intake.along().rows(), true));
        }
    }

    /** It becomes a session of its own, instead of a part of the one that was open. */
    record OnItsOwn() implements Correction {
        @Override
        public Intake applyTo(Intake intake) {
            Onto onto = intake.onto();
            return onto == null
                    ? intake
                    : intake.withFiles(
                                    intake.files().stream().map(onto::unseated).toList())
                            .onto(null);
        }
    }

    /** What they are there for. */
    record UseAs(List<String> files, Seat.Use use) implements OfFiles {
        /** What lay beside a row and is to be one gets a name of its own, or it would sound together with what is on that row. */
        @Override
        public IntakeFile applyTo(IntakeFile file) {
            boolean parts = file.seat().use() == Seat.Use.BESIDE && use == Seat.Use.ROW;
            Seat seat =
                    parts ? file.seat().withRow(NoteRows.safe(file.seat().row() + " " + file.station())) : file.seat();
            return file.withSeat(seat.withUse(use));
        }
    }

    /** They are a row's sound as it was rendered elsewhere for a station of it, and lie beside what is on the row. */
    record Beside(List<String> files, String row, Station station) implements OfFiles {
        public Beside {
            row = NameRule.check("row", row);
            if (station == null || station == Station.RAW || station == Station.MIX) {
                throw new IllegalArgumentException(
                        "What was rendered elsewhere for a row stands for Shaped, Inserts, Fader or Bus.");
            }
        }

        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.at(station)
                    .withSeat(file.seat().withUse(Seat.Use.BESIDE).withRow(row).withTake(1));
        }
    }

    /** The row they share, by its name. */
    record InRow(List<String> files, String row) implements OfFiles {
        public InRow {
            row = NameRule.check("row", row);
        }

        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.withSeat(file.seat().withRow(row));
        }
    }

    /** More to know of them, for people. */
    record Noted(List<String> files, String note) implements OfFiles {
        public Noted {
            note = note == null ? "" : note.replaceAll("[\\p{Cntrl}\\s]+", " ").strip();
            if (note.length() > SetAbout.LONGEST_NOTE) {
                throw new IllegalArgumentException("A note can have " + SetAbout.LONGEST_NOTE + " characters.");
            }
        }

        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.withSeat(file.seat().withNote(note));
        }
    }

    /**
     * A table is a list, read in a certain way; or none.
     *
     * @param file  id of the table
     * @param form  how it is read; null: it is no list
     * @param lists what all lists lay out, read with it
     * @param named ids of recordings that lists lay out now
     * @param missing names of recordings that lists name and that are not here
     * @param seats what it puts right of others, where it says what files are
     */
    record ReadAs(
            String file,
            @Nullable ClipListForm form,
            Lists lists,
            List<String> named,
            List<String> missing,
            List<Correction> seats)
            implements Correction {
        @Override
        public Intake applyTo(Intake intake) {
            Kind kind = form == null ? Kind.PAPER : form.isOfClips() ? Kind.CLIP_LIST : Kind.TRACK_LIST;
            Intake read = intake.withLists(intake.lists().of(lists))
                    .withMissing(missing)
                    .withFiles(intake.files().stream()
                            .map(each -> each.id().equals(file) ? each.read(kind, form) : listed(each, intake))
                            .toList());
            return new Several(seats).applyTo(read);
        }

        private IntakeFile listed(IntakeFile each, Intake intake) {
            boolean was = each.seat().place().by() == Place.By.LIST;
            if (!each.isSound() || was == named.contains(each.id())) {
                return each;
            }
            Place place = was
                    ? DropExaminer.place(
                            each.recording(),
                            intake.start(),
                            intake.rate(),
                            intake.onto() == null ? 0 : intake.onto().at())
                    : Place.start().at(0, Place.By.LIST);
            return each.withSeat(each.seat().withPlace(place));
        }
    }

    /** The tempo that lists in bars are counted with, in quarters a minute. */
    record Tempo(double quartersAMinute) implements Correction {
        public Tempo {
            if (!(quartersAMinute >= TempoMap.SLOWEST && quartersAMinute <= TempoMap.FASTEST)) {
                throw new IllegalArgumentException("A tempo is from " + (int) TempoMap.SLOWEST + " to "
                        + (int) TempoMap.FASTEST + " quarters a minute.");
            }
        }

        @Override
        public Intake applyTo(Intake intake) {
            return intake.withLists(intake.lists().at(quartersAMinute));
        }
    }

    /** What sounds where clips of one list lie over each other. */
    record Overlapping(Overlaps overlaps) implements Correction {
        @Override
        public Intake applyTo(Intake intake) {
            return intake.withLists(intake.lists().with(overlaps)).agreeing(AskOverlaps.OVERLAPS);
        }
    }

    /** What they are in the music. */
    record OfRole(List<String> files, Role role) implements OfFiles {
        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.withSeat(file.seat().withRole(role));
        }
    }

    /** Takes of their row, counted up from {@code take} in the order they are named. */
    record AsTake(List<String> files, int take) implements OfFiles {
        public AsTake {
            if (take < 1 || take > 999) {
                throw new IllegalArgumentException("A take has a number from 1 to 999.");
            }
        }

        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.withSeat(file.seat().withTake(take + files.indexOf(file.id())));
        }
    }

    /** A side of their row. */
    record AsSide(List<String> files, Seat.Side side) implements OfFiles {
        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.withSeat(file.seat().withSide(side));
        }
    }

    /** The bus they go through, by its name; empty for none. */
    record InGroup(List<String> files, String group) implements OfFiles {
        public InGroup {
            group = group == null || group.isBlank() ? "" : NameRule.check("group", group);
        }

        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.withSeat(file.seat().withGroup(group));
        }
    }

    /** Where they lie, in frames of the session. */
    record LieAt(List<String> files, long frame) implements OfFiles {
        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return placed(file, file.seat().place().at(frame, Place.By.HAND));
        }
    }

    /** How much later they lie than before, in frames of the session. */
    record Shift(List<String> files, long frames) implements OfFiles {
        @Override
        public IntakeFile applyTo(IntakeFile file) {
            Place place = file.seat().place();
            return placed(file, place.at(place.frame() + frames, Place.By.HAND));
        }
    }

    /** They lie where the reference has them. */
    record LieAsFound(List<String> files) implements OfFiles {
        @Override
        public IntakeFile applyTo(IntakeFile file) {
            Place place = file.seat().place();
            return place.found() == null
                    ? file
                    : placed(file, place.at(place.found().frame(), Place.By.ALIGNMENT));
        }
    }

    /** Their polarity is turned. */
    record TurnOver(List<String> files, boolean inverted) implements OfFiles {
        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return placed(file, file.seat().place().turned(inverted));
        }
    }

    /** The rate they really have, whatever their header says. */
    record HasRate(List<String> files, int hertz) implements OfFiles {
        public HasRate {
            if (!SampleRate.isUsable(hertz)) {
                throw new IllegalArgumentException("A sample rate of " + hertz + " Hz is outside 8 to 384 kHz.");
            }
        }

        @Override
        public IntakeFile applyTo(IntakeFile file) {
            return file.recording() == null
                    ? file
                    : file.withRecording(file.recording().withRate(new SampleRate(hertz)));
        }
    }

    /** The order of the rows. */
    record Ordered(RowsInOrder order) implements Correction {
        @Override
        public Intake applyTo(Intake intake) {
            return intake.withOrder(order);
        }
    }

    /** What the song is called. */
    record Titled(String title) implements Correction {
        public Titled {
            title = NameRule.check("title", title);
        }

        @Override
        public Intake applyTo(Intake intake) {
            return intake.withTitle(title);
        }
    }

    /** The numbered files of a row are its takes. */
    record Agreed(String row) implements Correction {
        @Override
        public Intake applyTo(Intake intake) {
            return intake.agreeing(row);
        }
    }

    /** Several that belong together. */
    record Several(List<Correction> corrections) implements Correction {
        @Override
        public Intake applyTo(Intake intake) {
            Intake after = intake;
            for (Correction correction : corrections) {
                after = correction.applyTo(after);
            }
            return after;
        }
    }

    /** What a list lays out stays where the list says. */
    private static IntakeFile placed(IntakeFile file, Place place) {
        return file.seat().place().by() == Place.By.LIST
                ? file
                : file.withSeat(file.seat().withPlace(place));
    }
}
