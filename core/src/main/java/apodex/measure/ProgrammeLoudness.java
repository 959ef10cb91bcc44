package apodex.measure;

/**
 * How loud a whole sound is.
 *
 * @param integratedLufs   ITU-R BS.1770-4
 * @param rangeLu          loudness range, EBU Tech 3342; 0 of what is shorter than 3 s
 * @param maxMomentaryLufs loudest 400 ms, EBU Tech 3341
 * @param maxShortTermLufs loudest 3 s, EBU Tech 3341; of what is shorter, of all of it
 */
public record ProgrammeLoudness(
        double integratedLufs, double rangeLu, double maxMomentaryLufs, double maxShortTermLufs) {
    ProgrammeLoudness plus(double db) {
        return new ProgrammeLoudness(integratedLufs + db, rangeLu, maxMomentaryLufs + db, maxShortTermLufs + db);
    }
}
