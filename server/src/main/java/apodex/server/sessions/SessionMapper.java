package apodex.server.sessions;

import apodex.session.Recording;
import jakarta.annotation.Nullable;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface SessionMapper {
    /** Those that somebody owns or was let in to; all for null. */
    String SEEN =
            """
            s.removed_at IS NULL AND (#{person} IS NULL OR s.owner_id = #{person}
             OR EXISTS (SELECT 1 FROM member m WHERE m.session_id = s.id AND m.owner_id = #{person}))""";

    @Insert(
            """
            INSERT INTO session (id, owner_id, revision, title, artist, row_count, frames, rate)
            VALUES (#{id}, #{ownerId}, 1, #{summary.title}, #{summary.artist}, #{summary.rows}, #{summary.frames},
                    #{summary.rate})""")
    void insert(String id, String ownerId, Summary summary);

    /** What the shelf shows of a session, kept beside it so that listing reads no documents. */
    record Summary(String title, String artist, int rows, long frames, int rate) {}

    /** Moves a session on; 0 when somebody else did first. */
    @Update(
            """
            UPDATE session SET revision = #{expected} + 1, title = #{summary.title}, artist = #{summary.artist},
                   row_count = #{summary.rows}, frames = #{summary.frames}, rate = #{summary.rate},
                   changed_at = CURRENT_TIMESTAMP(3)
            WHERE id = #{id} AND revision = #{expected}""")
    int advance(String id, int expected, Summary summary);

    @Select("SELECT COUNT(*) FROM live_session WHERE id = #{id}")
    int count(String id);

    @Insert(
            """
            INSERT INTO session_revision (session_id, revision, description, edit, session, undo_to, redo_to, form)
            VALUES (#{revision.sessionId}, #{revision.revision}, #{revision.description}, #{revision.edit},
                    #{revision.session}, #{revision.undoTo}, #{revision.redoTo}, #{form})""")
    void insertRevision(Revision revision, int form);

    @Select(
            "SELECT GREATEST(COALESCE((SELECT MAX(form) FROM session_revision), 0), COALESCE((SELECT MAX(form) FROM run), 0))")
    int newestForm();

    /** The newest revision's number; null when there is no such session. */
    @Select("SELECT revision FROM session WHERE id = #{id} AND removed_at IS NULL")
    Integer head(String id);

    @Select(
            "SELECT description FROM session_revision WHERE session_id = #{id} AND revision > #{revision} ORDER BY revision")
    List<String> descriptionsSince(String id, int revision);

    @Select(
            """
            SELECT session_id, revision, description, edit, session, undo_to, redo_to
            FROM session_revision WHERE session_id = #{id} AND revision = #{revision}""")
    Revision revision(String id, int revision);

    @Insert(
            """
            INSERT IGNORE INTO recording_use (session_id, sha256, owner_id, file_name)
            SELECT id, #{recording.sha256}, owner_id, #{recording.fileName} FROM session WHERE id = #{sessionId}""")
    void insertUse(String sessionId, Recording recording);

    /** That a session uses a recording. */
    record Use(String sessionId, String sha256) {}

    @Select("SELECT session_id, sha256 FROM recording_use")
    List<Use> uses();

    @Select("SELECT COUNT(*) FROM recording_use WHERE session_id = #{sessionId} AND sha256 = #{sha256}")
    int countUses(String sessionId, String sha256);

    /** @param person who has or sees them; null for all */
    @Select("SELECT s.title FROM session s WHERE " + SEEN)
    List<String> titles(@Nullable String person);

    @Insert(
            """
            INSERT INTO handoff (id, session_id, owner_id, revision, handoff, created_at)
            SELECT UUID(), #{to}, (SELECT owner_id FROM session WHERE id = #{to}), 1, handoff, created_at FROM handoff WHERE session_id = #{from} AND NOT removed AND removed_at IS NULL""")
    void duplicateHandoffs(String from, String to);

    /** @param person who has or sees them; null for all */
    @Select(
            """
            SELECT s.id, s.title, s.artist, s.row_count AS row_count, s.frames, s.rate, s.changed_at,
                   0 AS recording_bytes,
                   (SELECT COALESCE(SUM(f.bytes), 0) FROM printed_file f JOIN run r ON r.id = f.run_id
                    JOIN handoff h ON h.id = r.handoff_id WHERE h.session_id = s.id) AS printed_bytes,
                   (SELECT COUNT(*) FROM run r JOIN handoff h ON h.id = r.handoff_id
                    WHERE h.session_id = s.id AND r.state = 'DONE' AND r.removed_at IS NULL AND h.removed_at IS NULL) AS parcels,
                   (SELECT MAX(p.made_at) FROM parcel p JOIN run r ON r.id = p.run_id
                    JOIN handoff h ON h.id = r.handoff_id WHERE h.session_id = s.id) AS last_parcel_at,
                   IF(#{person} IS NULL OR s.owner_id = #{person}, 'OWN',
                      (SELECT m.may FROM member m WHERE m.session_id = s.id AND m.owner_id = #{person})) AS may,
                   o.name AS owner
            FROM session s JOIN owner o ON o.id = s.owner_id
            WHERE\s"""
                    + SEEN + " ORDER BY s.changed_at DESC, s.id")
    List<ShelfEntry> shelf(@Nullable String person);
}
