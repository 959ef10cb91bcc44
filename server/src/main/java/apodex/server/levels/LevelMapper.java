package apodex.server.levels;

import jakarta.annotation.Nullable;
import java.util.Collection;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface LevelMapper {
    record Stored(String contentKey, FileLevel level) {}

    @Select(
            """
            <script>SELECT content_key, level FROM level WHERE content_key IN
            <foreach item="key" collection="keys" open="(" separator="," close=")">#{key}</foreach></script>""")
    List<Stored> find(Collection<String> keys);

    @Insert("INSERT IGNORE INTO level (content_key, level) VALUES (#{key}, #{level})")
    void saveIfNew(String key, FileLevel level);

    @Insert("REPLACE INTO level (content_key, level) VALUES (#{key}, #{level})")
    void save(String key, FileLevel level);

    /** What nobody can ask for any more is mostly old. */
    @Delete("DELETE FROM level WHERE made_at < CURRENT_TIMESTAMP - INTERVAL 90 DAY")
    void forgetOld();

    /** Whether a run has the machine to itself. */
    @Select("SELECT EXISTS (SELECT 1 FROM run WHERE state IN ('PRINTING', 'PROOFING'))")
    boolean isPrinting();

    /**
     * Of which state the levels are wanted.
     *
     * @param failure why they cannot be found, when that was tried a short while ago
     */
    record Wanted(String state, @Nullable String failure) {}

    @Select("SELECT state, IF(failed_at > CURRENT_TIMESTAMP(3) - INTERVAL 1 MINUTE, failure, NULL) AS failure"
            + " FROM levels_wanted WHERE handoff_id = #{handoffId}")
    @Nullable
    Wanted wanted(String handoffId);

    @Insert("INSERT INTO levels_wanted (handoff_id, state) VALUES (#{handoffId}, #{state})"
            + " ON DUPLICATE KEY UPDATE state = #{state}, failure = NULL, failed_at = NULL")
    void want(String handoffId, String state);

    @Delete("DELETE FROM levels_wanted WHERE handoff_id = #{handoffId} AND state = #{state}")
    void found(String handoffId, String state);

    @Update("UPDATE levels_wanted SET failure = #{failure}, failed_at = CURRENT_TIMESTAMP(3)"
            + " WHERE handoff_id = #{handoffId} AND state = #{state}")
    void fail(String handoffId, String state, String failure);
}
