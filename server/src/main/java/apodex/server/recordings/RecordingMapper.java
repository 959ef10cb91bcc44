package apodex.server.recordings;

import apodex.session.Recording;
import jakarta.annotation.Nullable;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Which recordings there are; who uses them is kept by who does. */
@Mapper
interface RecordingMapper {
    @Insert(
            """
            INSERT IGNORE INTO recording (sha256, rate, channels, sample, frames)
            VALUES (#{sha256}, #{rate.hertz}, #{channels}, #{sample}, #{frames})""")
    void insert(Recording recording);

    /** Recordings that no session has any more, in none of its revisions, and no intake. */
    @Select(
            """
            SELECT r.sha256 FROM recording r
            WHERE NOT EXISTS (SELECT 1 FROM recording_use u WHERE u.sha256 = r.sha256)
              AND NOT EXISTS (SELECT 1 FROM intake_use i WHERE i.sha256 = r.sha256)""")
    List<String> unused();

    @Delete("DELETE FROM recording WHERE sha256 = #{sha256}")
    void delete(String sha256);

    /** Where a recording lies in the storage that nodes share. */
    record Stored(String name, long bytes, boolean scanned) {}

    @Select("SELECT name, bytes, scanned FROM stored_recording WHERE sha256 = #{sha256}")
    @Nullable
    Stored stored(String sha256);

    /** Keeps one that is there from being removed for a while; 0 when it is not. */
    @Update("UPDATE stored_recording SET until = CURRENT_TIMESTAMP(3) + INTERVAL 6 HOUR WHERE sha256 = #{sha256}")
    int hold(String sha256);

    /** It is used from now on, by the transaction in which this is said; a minute covers its end. */
    @Update("UPDATE stored_recording SET until = CURRENT_TIMESTAMP(3) + INTERVAL 1 MINUTE WHERE sha256 = #{sha256}")
    void used(String sha256);

    /** Brought in, and never made anything of. */
    @Select(
            """
            SELECT s.sha256 FROM stored_recording s WHERE s.until < CURRENT_TIMESTAMP(3)
              AND NOT EXISTS (SELECT 1 FROM recording_use u WHERE u.sha256 = s.sha256)
              AND NOT EXISTS (SELECT 1 FROM intake_use i WHERE i.sha256 = s.sha256)""")
    List<String> storedForNobody();

    /** 0 when somebody else was first. */
    @Insert("INSERT IGNORE INTO stored_recording (sha256, name, bytes, until)"
            + " VALUES (#{sha256}, #{name}, #{bytes}, CURRENT_TIMESTAMP(3) + INTERVAL 6 HOUR)")
    int store(String sha256, String name, long bytes);

    /** 0 when somebody uses it, or is about to. */
    @Delete(
            """
            DELETE FROM stored_recording WHERE sha256 = #{sha256} AND name = #{name} AND until < CURRENT_TIMESTAMP(3)
              AND NOT EXISTS (SELECT 1 FROM recording_use u WHERE u.sha256 = #{sha256})
              AND NOT EXISTS (SELECT 1 FROM intake_use i WHERE i.sha256 = #{sha256})""")
    int unstore(String sha256, String name);

    /** 0 when it lies under this name no longer. */
    @Update("UPDATE stored_recording SET scanned = TRUE WHERE sha256 = #{sha256} AND name = #{name}")
    int scanned(String sha256, String name);
}
