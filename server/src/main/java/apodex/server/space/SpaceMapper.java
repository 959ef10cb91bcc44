package apodex.server.space;

import jakarta.annotation.Nullable;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface SpaceMapper {
    /**
     * A session and what was printed of it.
     *
     * @param printed bytes of files that can be fetched
     * @param binned  bytes of files in the bin, the whole session's where that lies there
     */
    record Taken(
            String id,
            String title,
            String ownerId,
            String owner,
            boolean removed,
            long printed,
            long binned,
            @Nullable Integer keepRuns) {}

    @Select(
            """
            SELECT s.id, s.title, s.owner_id, o.name AS owner, s.removed_at IS NOT NULL AS removed,
                COALESCE(SUM(IF(r.id IN (SELECT id FROM live_run), f.bytes, 0)), 0) AS printed,
                COALESCE(SUM(IF(r.id IN (SELECT id FROM live_run), 0, f.bytes)), 0) AS binned, s.keep_runs
            FROM session s JOIN owner o ON o.id = s.owner_id
            LEFT JOIN handoff h ON h.session_id = s.id LEFT JOIN run r ON r.handoff_id = h.id
            LEFT JOIN printed_file f ON f.run_id = r.id
            WHERE #{person} IS NULL OR s.owner_id = #{person}
            GROUP BY s.id ORDER BY s.title, s.id""")
    List<Taken> sessions(@Nullable String person);

    /** That a session uses a recording. */
    record Use(String sessionId, String sha256) {}

    @Select(
            """
            SELECT u.session_id, u.sha256 FROM recording_use u JOIN session s ON s.id = u.session_id
            WHERE #{person} IS NULL OR s.owner_id = #{person}""")
    List<Use> uses(@Nullable String person);

    @Select(
            "SELECT i.sha256 FROM intake_use i JOIN intake k ON k.id = i.intake_id WHERE #{person} IS NULL OR k.owner_id = #{person}")
    List<String> ofIntakes(@Nullable String person);

    @Select(
            "SELECT COALESCE(SUM(data_length + index_length), 0) FROM information_schema.tables WHERE table_schema = DATABASE()")
    long database();

    @Select("SELECT quota FROM owner WHERE id = #{ownerId}")
    @Nullable
    Long quota(String ownerId);

    @Select("SELECT owner_id FROM session WHERE id = #{sessionId}")
    @Nullable
    String ownerOf(String sessionId);

    @Select("SELECT keep_runs FROM house")
    @Nullable
    Integer keepRuns();

    @Update("UPDATE house SET keep_runs = #{runs}")
    void setKeepRuns(@Nullable Integer runs);

    @Update("UPDATE session SET keep_runs = #{runs} WHERE id = #{sessionId}")
    int setKeepRunsOf(String sessionId, @Nullable Integer runs);
}
