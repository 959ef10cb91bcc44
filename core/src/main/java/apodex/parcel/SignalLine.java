package apodex.parcel;

import java.util.List;

/** A row's way from its clips to the mix as a line of signs: a filled square where a file was taken, a ring where one could be. */
final class SignalLine {
    private SignalLine() {}

    static String of(List<Sheet.Stop> stops) {
        StringBuilder line = new StringBuilder();
        for (int i = 0; i < stops.size(); i++) {
            line.append(i == 0 ? "" : "──")
                    .append(
                            switch (stops.get(i)) {
                                case PRINTED -> "■";
                                case OFFERED -> "○";
                                case NONE -> "─";
                            });
        }
        return line.toString();
    }
}
