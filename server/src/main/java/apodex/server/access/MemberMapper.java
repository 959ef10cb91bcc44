package apodex.server.access;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Who was let in, and the links by which more are. */
@Mapper
interface MemberMapper {
    /** Somebody who was let in. */
    record Member(String id, String name, Right may, Instant since) {}

    /** A link that nobody took yet. */
    record Invitation(String id, String sessionId, Right may, Instant endsAt) {}

    @Select(
            """
            SELECT m.owner_id AS id, o.name, m.may, m.since FROM member m JOIN owner o ON o.id = m.owner_id
            WHERE m.session_id = #{sessionId} ORDER BY o.name""")
    List<Member> ofSession(String sessionId);

    @Select(
            """
            SELECT id, session_id, may, ends_at FROM invitation
            WHERE session_id = #{sessionId} AND ends_at > #{now} ORDER BY ends_at""")
    List<Invitation> invitations(String sessionId, Instant now);

    @Insert(
            """
            INSERT INTO invitation (id, session_id, token, may, ends_at)
            VALUES (#{id}, #{sessionId}, #{token}, #{may}, #{endsAt})""")
    void invite(String id, String sessionId, String token, Right may, Instant endsAt);

    @Select("SELECT id, session_id, may, ends_at FROM invitation WHERE token = #{token} AND ends_at > #{now}")
    @Nullable
    Invitation byToken(String token, Instant now);

    /** 0 when somebody else took it first, or it was withdrawn. */
    @Delete("DELETE FROM invitation WHERE id = #{id} AND session_id = #{sessionId}")
    int endInvitation(String sessionId, String id);

    /** Who is let in twice may what the later invitation says. */
    @Insert(
            """
            INSERT INTO member (session_id, owner_id, may) VALUES (#{sessionId}, #{person}, #{may})
            ON DUPLICATE KEY UPDATE may = #{may}""")
    void join(String sessionId, String person, Right may);

    @Update("UPDATE member SET may = #{may} WHERE session_id = #{sessionId} AND owner_id = #{person}")
    int let(String sessionId, String person, Right may);

    @Delete("DELETE FROM member WHERE session_id = #{sessionId} AND owner_id = #{person}")
    int remove(String sessionId, String person);

    /** What an invitation is to, and whose it is. */
    record Title(String title, String owner, String ownerId) {}

    @Select(
            """
            SELECT s.title, o.name AS owner, s.owner_id FROM session s JOIN owner o ON o.id = s.owner_id
            WHERE s.id = #{sessionId} AND s.removed_at IS NULL""")
    @Nullable
    Title title(String sessionId);
}
