package apodex.server.pace;

import apodex.handoff.Effort;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface PaceMapper {
    /**
     * What a run took.
     *
     * @param expectedPrinting seconds by {@link Effort}; so {@code expectedReading}
     * @param printing         seconds in truth; so {@code reading}
     */
    record Took(double expectedPrinting, double expectedReading, double printing, double reading) {}

    @Insert(
            """
            INSERT INTO pace (run_id, kind, expected_printing, expected_reading, printing, reading)
            VALUES (#{runId}, #{effort.kind}, #{effort.printing}, #{effort.reading}, #{printing}, #{reading})
            ON DUPLICATE KEY UPDATE printing = #{printing}, reading = #{reading}""")
    void keep(String runId, Effort effort, double printing, double reading);

    /** The last of a kind, the latest first. */
    @Select(
            """
            SELECT expected_printing, expected_reading, printing, reading FROM pace
            WHERE kind = #{kind} ORDER BY made_at DESC, run_id LIMIT #{most}""")
    List<Took> last(Effort.Kind kind, int most);
}
