package apodex.server.recordings;

import apodex.session.Recording;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

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
}
