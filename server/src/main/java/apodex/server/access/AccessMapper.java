package apodex.server.access;

import jakarta.annotation.Nullable;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** Whose things are. */
@Mapper
interface AccessMapper {
    @Select("SELECT session_id FROM handoff WHERE id = #{id}")
    @Nullable
    String sessionOfHandoff(String id);

    @Select("SELECT h.session_id FROM run r JOIN handoff h ON h.id = r.handoff_id WHERE r.id = #{id}")
    @Nullable
    String sessionOfRun(String id);

    @Select(
            """
            SELECT h.session_id FROM pickup p JOIN run r ON r.id = p.run_id JOIN handoff h ON h.id = r.handoff_id
            WHERE p.id = #{id}""")
    @Nullable
    String sessionOfPickup(String id);

    /** Null for nothing at all. */
    @Select(
            """
            SELECT IF(s.owner_id = #{person}, 'OWN', m.may) FROM session s
            LEFT JOIN member m ON m.session_id = s.id AND m.owner_id = #{person} WHERE s.id = #{sessionId}""")
    @Nullable
    Right onSession(String person, String sessionId);

    @Select("SELECT COUNT(*) FROM intake WHERE id = #{id} AND owner_id = #{person}")
    int ownIntakes(String person, String id);

    /** Those that come with Apodex are in no table. */
    @Select("SELECT IF(owner_id = #{person}, 'OWN', IF(shared, 'LISTEN', NULL)) FROM brief WHERE id = #{id}")
    @Nullable
    Right onBrief(String person, String id);

    @Select("SELECT COUNT(*) FROM brief WHERE id = #{id}")
    int briefs(String id);

    @Select(
            """
            SELECT EXISTS (SELECT 1 FROM recording_use u JOIN session s ON s.id = u.session_id
                           LEFT JOIN member m ON m.session_id = s.id AND m.owner_id = #{person}
                           WHERE u.sha256 = #{sha256} AND (s.owner_id = #{person} OR m.owner_id IS NOT NULL))
                OR EXISTS (SELECT 1 FROM intake_use i JOIN intake k ON k.id = i.intake_id
                           WHERE i.sha256 = #{sha256} AND k.owner_id = #{person})""")
    boolean hearsRecording(String person, String sha256);

    /** Whoever may take a session out as a file has its recordings; who only listens has not. */
    @Select(
            """
            SELECT EXISTS (SELECT 1 FROM recording_use u JOIN session s ON s.id = u.session_id
                           LEFT JOIN member m ON m.session_id = s.id AND m.owner_id = #{person} AND m.may = 'CHANGE'
                           WHERE u.sha256 = #{sha256} AND (s.owner_id = #{person} OR m.owner_id IS NOT NULL))
                OR EXISTS (SELECT 1 FROM intake_use i JOIN intake k ON k.id = i.intake_id
                           WHERE i.sha256 = #{sha256} AND k.owner_id = #{person})""")
    boolean hasRecording(String person, String sha256);
}
