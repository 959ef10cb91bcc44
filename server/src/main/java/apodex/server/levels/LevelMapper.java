package apodex.server.levels;

import java.util.Collection;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

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
}
