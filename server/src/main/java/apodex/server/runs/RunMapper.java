package apodex.server.runs;

import apodex.handoff.Plan;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import com.fasterxml.jackson.annotation.JsonIgnore;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface RunMapper {
    String COLUMNS = "id, handoff_id, number, state, session_revision, session, handoff, plan, progress, proof,"
            + " failure, cancel_requested, version, everything, changes, created_at";

    /** What changes while a run is under way. */
    record Pulse(RunState state, RunProgress progress, @Nullable String failure) {}

    record RunEntry(String id, int number, String version, RunState state, Instant createdAt, int sessionRevision) {}

    /** A run that prints or waits. */
    record Queued(
            String id,
            int number,
            String version,
            RunState state,
            String handoffId,
            String sessionId,
            String title,
            String receiver,
            String brief,
            RunProgress progress,
            @JsonIgnore @Nullable Long turn) {}

    /**
     * A zip.
     *
     * @param sha256       null until it has been taken
     * @param changesSince version of the parcel that it brings up to date; null for one that holds everything
     */
    record StoredParcel(
            String runId,
            int part,
            String zipName,
            long bytes,
            @Nullable String sha256,
            @Nullable String changesSince) {}

    @Insert(
            """
            INSERT INTO run (id, handoff_id, number, state, session_revision, session, handoff, plan, progress, version,
                             everything, changes, press)
            VALUES (#{run.id}, #{run.handoffId}, #{run.number}, #{run.state}, #{run.sessionRevision}, #{run.session},
                    #{run.handoff}, #{run.plan}, #{run.progress}, #{run.version}, #{run.everything}, #{run.changes},
                    #{press})""")
    void insert(Run run, @Nullable String press);

    /**
     * Gives a run its place among those that wait.
     *
     * @param cost seconds it is expected to take
     * @param turn of the queue's clock, in microseconds
     */
    @Update("UPDATE run SET asked_by = #{askedBy}, house = #{house}, cost = #{cost}, turn = #{turn} WHERE id = #{id}")
    void seat(String id, String askedBy, String house, double cost, long turn);

    @Update("UPDATE run SET turn = #{turn} WHERE id = #{id}")
    void setTurn(String id, long turn);

    @Select("SELECT house FROM owner WHERE id = #{ownerId}")
    String houseOf(String ownerId);

    /** The last turn among somebody's waiting runs that cost no more than this; null where none waits. */
    @Select("SELECT MAX(turn) FROM run WHERE state = 'WAITING' AND asked_by = #{askedBy} AND cost <= #{most}")
    @Nullable
    Long lastTurn(String askedBy, double most);

    /** How many others of a house wait. */
    @Select(
            "SELECT COUNT(DISTINCT asked_by) FROM run WHERE state = 'WAITING' AND house = #{house} AND asked_by <> #{askedBy}")
    int othersWaiting(String house, String askedBy);

    @Select("SELECT turn FROM queue_clock WHERE id = 1")
    long clock();

    /** The clock goes with the runs that are taken up. */
    @Update(
            "UPDATE queue_clock SET turn = GREATEST(turn, COALESCE((SELECT turn FROM run WHERE id = #{id}), 0)) WHERE id = 1")
    void advanceClock(String id);

    /** Lets nobody else make a run of this handoff before the transaction ends; runs would get one number otherwise. */
    @Select("SELECT id FROM handoff WHERE id = #{handoffId} FOR UPDATE")
    String lockHandoff(String handoffId);

    @Select("SELECT COALESCE(MAX(number), 0) + 1 FROM run WHERE handoff_id = #{handoffId}")
    int nextNumber(String handoffId);

    /** The run that a press made; null when it made none yet. */
    @Select("SELECT id FROM run WHERE handoff_id = #{handoffId} AND press = #{press} AND removed_at IS NULL")
    String ofPress(String handoffId, String press);

    @Select("SELECT " + COLUMNS + " FROM run WHERE id = #{id} AND id IN (SELECT id FROM live_run)")
    Run find(String id);

    @Select("SELECT state, progress, failure FROM run WHERE id = #{id}")
    Pulse pulse(String id);

    @Select(
            "SELECT id, number, version, state, created_at, session_revision FROM run WHERE handoff_id = #{handoffId} AND removed_at IS NULL ORDER BY number DESC")
    List<RunEntry> ofHandoff(String handoffId);

    /**
     * Takes a run up: nobody who took it up before writes anything of it any more.
     *
     * @param claim one's own, and new
     * @return 0 when it is over
     */
    @Update(
            """
            UPDATE run SET claim = #{claim}, attempts = attempts + 1, started_at = COALESCE(started_at, CURRENT_TIMESTAMP(3))
            WHERE id = #{id} AND state IN ('WAITING', 'PRINTING', 'PROOFING')""")
    int claim(String id, String claim);

    /** How often it was taken up. */
    @Select("SELECT attempts FROM run WHERE id = #{id}")
    int attempts(String id);

    @Select("SELECT COUNT(*) > 0 FROM run WHERE id = #{id} AND claim = #{claim}")
    boolean isClaimed(String id, String claim);

    @Select("SELECT COUNT(*) > 0 FROM run WHERE id = #{id} AND claim = #{claim} AND state = 'DONE'")
    boolean isDone(String id, String claim);

    /** Each of these returns 0 when somebody else has taken the run up since. */
    @Update("UPDATE run SET state = #{state}, progress = #{progress} WHERE id = #{id} AND claim = #{claim}")
    int update(String id, String claim, RunState state, RunProgress progress);

    @Update("UPDATE run SET stored_as = #{storedAs} WHERE id = #{id} AND claim = #{claim}")
    int store(String id, String claim, String storedAs);

    @Update(
            """
            UPDATE run SET state = #{state}, failure = #{failure}, finished_at = CURRENT_TIMESTAMP(3)
            WHERE id = #{id} AND claim = #{claim}""")
    int end(String id, String claim, RunState state, @Nullable String failure);

    @Update("UPDATE run SET proof = #{proof} WHERE id = #{id} AND claim = #{claim}")
    int saveProof(String id, String claim, Proof proof);

    /** Where its files lie in the storage; of runs of before by their id. */
    @Select("SELECT COALESCE(stored_as, CONCAT('runs/', id)) FROM run WHERE id = #{id}")
    String storedAs(String id);

    @Select(
            """
            SELECT r.id, r.number, r.version, r.state, r.handoff_id, h.session_id, s.title,
                JSON_VALUE(r.handoff, '$.name') AS receiver, JSON_VALUE(r.handoff, '$.brief.name') AS brief, r.progress, r.turn
            FROM run r JOIN handoff h ON h.id = r.handoff_id JOIN session s ON s.id = h.session_id
            LEFT JOIN scheduled_tasks t ON t.task_instance = r.id
            WHERE r.state IN ('WAITING', 'PRINTING', 'PROOFING')
            ORDER BY r.state = 'WAITING', t.execution_time, r.created_at""")
    List<Queued> queue();

    @Select("SELECT COUNT(*) FROM run WHERE state = 'WAITING'")
    int waiting();

    /** Runs of the same session whose files can be taken over: those of the same handoff first, the latest first. */
    @Select(
            """
            SELECT r.id FROM run r JOIN handoff h ON h.id = r.handoff_id
            WHERE h.session_id = (SELECT session_id FROM handoff WHERE id = #{handoffId}) AND r.state = 'DONE' AND r.id <> #{runId}
                AND r.id IN (SELECT id FROM live_run)
            ORDER BY r.handoff_id <> #{handoffId}, r.created_at DESC LIMIT #{most}""")
    List<String> earlierRuns(String handoffId, String runId, int most);

    @Select(
            "SELECT id FROM run WHERE handoff_id = #{handoffId} AND state = 'DONE' AND removed_at IS NULL ORDER BY number DESC LIMIT 1")
    String lastDone(String handoffId);

    /** Whoever is over already has nothing to cancel. */
    @Update("UPDATE run SET cancel_requested = TRUE WHERE id = #{id} AND state NOT IN ('DONE', 'FAILED', 'CANCELLED')")
    void requestCancel(String id);

    @Select("SELECT cancel_requested FROM run WHERE id = #{id}")
    boolean isCancelRequested(String id);

    /** A run that no job has begun ends at once; 0 when one has. */
    @Update(
            "UPDATE run SET state = 'CANCELLED', finished_at = CURRENT_TIMESTAMP(3) WHERE id = #{id} AND state = 'WAITING'")
    int cancelWaiting(String id);

    @Update("UPDATE run SET plan = #{plan} WHERE id = #{id}")
    void savePlan(String id, Plan plan);

    @Delete("DELETE FROM printed_file WHERE run_id = #{runId}")
    void deleteFiles(String runId);

    @Insert(
            """
            INSERT INTO printed_file (run_id, position, name, folder, channels, frames, bytes, peak_dbfs, sha256)
            VALUES (#{runId}, #{position}, #{file.name}, #{file.folder}, #{file.channels}, #{file.frames},
                    #{file.bytes}, #{file.peakDbfs}, #{file.sha256})""")
    void insertFile(String runId, int position, FileProof file);

    /** A file as it was when it was printed. */
    record StoredFile(String folder, String name, String sha256) {
        String path() {
            return folder.isEmpty() ? name : folder + "/" + name;
        }
    }

    @Select("SELECT folder, name, sha256 FROM printed_file WHERE run_id = #{runId} ORDER BY position")
    List<StoredFile> files(String runId);

    /** 0 when the run is not done, or is being read again already. */
    @Update("UPDATE run SET state = 'PROOFING', cancel_requested = FALSE WHERE id = #{id} AND state = 'DONE'")
    int readAgain(String id);

    @Insert("REPLACE INTO parcel (run_id, part, zip_name, bytes, sha256, changes_since)"
            + " VALUES (#{runId}, #{part}, #{zipName}, #{bytes}, #{sha256}, #{changesSince})")
    void saveParcel(StoredParcel parcel);

    @Select(
            "SELECT run_id, part, zip_name, bytes, sha256, changes_since FROM parcel WHERE run_id = #{runId} ORDER BY part")
    List<StoredParcel> parcels(String runId);

    @Update("UPDATE parcel SET sha256 = #{sha256} WHERE run_id = #{runId} AND part = #{part}")
    void saveSum(String runId, int part, String sha256);

    /** Runs whose zips have no checksum yet. */
    @Select(
            "SELECT DISTINCT p.run_id FROM parcel p JOIN run r ON r.id = p.run_id WHERE p.sha256 IS NULL AND r.state = 'DONE'")
    List<String> withoutSums();
}
