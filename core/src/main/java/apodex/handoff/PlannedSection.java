package apodex.handoff;

import apodex.signal.Passage;
import apodex.time.SampleRate;

/**
 * One stretch of the song as it will be printed: all its files have one start and one length.
 *
 * @param name           what it is called; empty when there is only one
 * @param folder         its folder in the parcel; empty when there is only one
 * @param passage        what its files cover
 * @param frames         length of every file at the files' rate; before printing, without an automatic tail
 * @param startReference first frame of every file, counted from midnight
 */
public record PlannedSection(String name, String folder, Passage passage, long frames, long startReference) {
    /** What a file is called of which there is one for each section: as it is, or with the section’s folder behind its name. */
    public String inName(String name) {
        int dot = name.lastIndexOf('.');
        return folder.isEmpty() ? name : name.substring(0, dot) + " - " + folder + name.substring(dot);
    }

    /** The frame of the session that a frame of its files shows. */
    public long inSession(long fileFrame, SampleRate files, SampleRate session) {
        return passage.range().start()
                - passage.leadInFrames()
                + Math.round((double) fileFrame * session.hertz() / files.hertz());
    }

    /** The frame of the session at which its files came to end, so that a walk can make them once more. */
    public long end(SampleRate files, SampleRate session) {
        double tail = files.seconds(frames)
                - session.seconds(passage.leadInFrames() + passage.range().frames());
        return passage.range().end() + Math.max(0, Math.round(tail * session.hertz()));
    }

    PlannedSection startingAt(long reference) {
        return new PlannedSection(name, folder, passage, frames, reference);
    }

    PlannedSection lasting(long realFrames) {
        return new PlannedSection(name, folder, passage, realFrames, startReference);
    }
}
