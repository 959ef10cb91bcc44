package apodex.server.log;

import jakarta.annotation.Nullable;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface DeedMapper {
    @Insert(
            """
            INSERT INTO deed (owner_id, kind, session_id, words)
            VALUES (#{ownerId}, #{kind}, #{sessionId}, #{words})""")
    void insert(String ownerId, DeedKind kind, @Nullable String sessionId, String words);

    @Select(
            """
            SELECT d.at, d.kind, COALESCE(o.name, '') AS who, d.words FROM deed d LEFT JOIN owner o ON o.id = d.owner_id
            WHERE d.session_id = #{sessionId} ORDER BY d.id DESC LIMIT #{most}""")
    List<DeedLine> ofSession(String sessionId, int most);

    @Select(
            """
            SELECT d.at, d.kind, COALESCE(o.name, '') AS who, d.words FROM deed d LEFT JOIN owner o ON o.id = d.owner_id
            WHERE d.owner_id = #{ownerId} AND d.session_id IS NULL ORDER BY d.id DESC LIMIT #{most}""")
    List<DeedLine> ofAccount(String ownerId, int most);

    @Delete("DELETE FROM deed WHERE session_id = #{sessionId}")
    void forget(String sessionId);
}
