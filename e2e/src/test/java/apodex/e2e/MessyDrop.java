package apodex.e2e;

import apodex.audio.PcmReader;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import apodex.audio.WavWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Files of a printed song as somebody in a hurry sends them: bad names, no stamps, one that starts late, one that is cut short. */
final class MessyDrop {
    private static final int BLOCK_FRAMES = 1 << 16;
    private static final String LATE = "09 Ld vox FINAL2.wav";
    private static final double LATE_SECONDS = 7.25;
    private static final Map<String, String> NAMES = new LinkedHashMap<>();

    static {
        NAMES.put(" Kick.wav", "01 BD In T41.wav");
        NAMES.put(" Snare.wav", "02 Snr Top.wav");
        NAMES.put(" Kit room.wav", "03 Rm mono.wav");
        NAMES.put("_Tuba.wav", "04 Tba T39 take 3.wav");
        NAMES.put("_Dulcimer.wav", "05 dulc_oct.wav");
        NAMES.put("_Accordion L.wav", "06 acc_L.wav");
        NAMES.put("_Accordion R.wav", "07 acc_R.wav");
        NAMES.put("bari ribbon", "08 bari preC old.wav");
        NAMES.put("comp_03_Dry.wav", LATE);
        NAMES.put("_Choir Tenor.wav", "10 Chr T_01.wav");
        NAMES.put("_Choir Tenor copy.wav", "11 Chr T_02.wav");
        NAMES.put("_Harbour bell.wav", "12 Bell (2).wav");
        NAMES.put("_Reference Mix.wav", "rough mix (do not use).wav");
    }

    private MessyDrop() {}

    /** @return the files, in a folder of their own below {@code folder} */
    static Path[] of(Path printed, Path folder) throws IOException {
        List<Path> all;
        try (Stream<Path> files = Files.walk(printed)) {
            all = files.filter(file -> file.toString().endsWith(".wav"))
                    .sorted()
                    .toList();
        }
        for (Map.Entry<String, String> name : NAMES.entrySet()) {
            Path from = all.stream()
                    .filter(file -> file.getFileName().toString().contains(name.getKey()))
                    .findFirst()
                    .orElse(null);
            if (from != null) {
                write(from, folder.resolve(name.getValue()), name.getValue().equals(LATE) ? LATE_SECONDS : 0);
            }
        }
        Path cut = folder.resolve("perc??.wav");
        Files.write(cut, java.util.Arrays.copyOf(Files.readAllBytes(all.get(0)), 100_000));
        try (Stream<Path> files = Files.list(folder)) {
            return files.sorted().toArray(Path[]::new);
        }
    }

    /** Without a stamp, and without what came before {@code late} seconds. */
    private static void write(Path from, Path to, double late) throws IOException {
        SoundInfo info = SoundFile.examine(from);
        long first = Math.round(late * info.rate().hertz());
        try (PcmReader in = new PcmReader(from, info);
                WavWriter out =
                        new WavWriter(to, info.rate(), info.channels(), info.sample(), info.frames() - first, null)) {
            for (long at = first; at < info.frames(); at += BLOCK_FRAMES) {
                int frames = (int) Math.min(BLOCK_FRAMES, info.frames() - at);
                out.write(in.readBytes(at, frames), frames * in.layout().frameBytes());
            }
        }
    }
}
