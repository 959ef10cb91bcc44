package apodex.server.handoffs;

import apodex.handoff.Handoff;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface HandoffMapper {
    @Insert(
            """
            INSERT INTO handoff (id, session_id, owner_id, revision, handoff)
            SELECT #{id}, id, owner_id, #{revision}, #{handoff} FROM session WHERE id = #{sessionId}""")
    void insert(StoredHandoff handoff);

    @Select(
            "SELECT id, session_id, revision, handoff FROM handoff WHERE id = #{id} AND id IN (SELECT id FROM live_handoff)")
    StoredHandoff find(String id);

    @Select(
            "SELECT id, session_id, revision, handoff FROM handoff WHERE session_id = #{sessionId} AND NOT removed AND removed_at IS NULL ORDER BY created_at, id")
    List<StoredHandoff> ofSession(String sessionId);

    /** Lets nobody else make a first handoff of a session before the transaction ends. */
    @Select("SELECT id FROM session WHERE id = #{sessionId} FOR UPDATE")
    String lockSession(String sessionId);

    /** 0 when somebody else changed it first. */
    @Update(
            "UPDATE handoff SET handoff = #{handoff}, revision = #{expected} + 1 WHERE id = #{id} AND revision = #{expected}")
    int update(String id, int expected, Handoff handoff);
}
