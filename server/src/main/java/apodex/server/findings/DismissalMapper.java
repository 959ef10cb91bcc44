package apodex.server.findings;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface DismissalMapper {
    /** @param finding SHA-256 of its key; @param seen SHA-256 of what was seen of it */
    record Dismissal(String finding, String seen) {}

    @Insert(
            """
            INSERT INTO dismissal (session_id, finding, seen) VALUES (#{sessionId}, #{finding}, #{seen})
            ON DUPLICATE KEY UPDATE seen = #{seen}""")
    void keep(String sessionId, String finding, String seen);

    @Delete("DELETE FROM dismissal WHERE session_id = #{sessionId} AND finding = #{finding}")
    void remove(String sessionId, String finding);

    @Select("SELECT finding, seen FROM dismissal WHERE session_id = #{sessionId}")
    List<Dismissal> ofSession(String sessionId);
}
