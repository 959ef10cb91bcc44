package apodex.server.arrivals;

import jakarta.annotation.Nullable;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Files on their way in where several nodes serve. Times are the database's own. */
@Mapper
interface SharedArrivalMapper {
    String IN_A_MINUTE = "CURRENT_TIMESTAMP(3) + INTERVAL 60 SECOND";

    record Arriving(byte[] info, long bytes) {}

    record Part(long start, int length) {}

    @Insert("INSERT INTO arriving (id, info, expires_at)"
            + " VALUES (#{id}, #{info}, CURRENT_TIMESTAMP(3) + INTERVAL #{hours} HOUR)")
    void insert(String id, byte[] info, int hours);

    @Select("SELECT info, bytes FROM arriving WHERE id = #{id}")
    @Nullable
    Arriving find(String id);

    @Update("UPDATE arriving SET info = #{info} WHERE id = #{id}")
    int update(String id, byte[] info);

    @Insert("INSERT INTO arrived_part (arriving_id, start, length) VALUES (#{id}, #{start}, #{length})")
    void insertPart(String id, long start, int length);

    /** Goes on where a part ended, and keeps the file in hand; 0 when somebody else has it by now. */
    @Update("UPDATE arriving SET bytes = bytes + #{length}, locked_until = " + IN_A_MINUTE
            + " WHERE id = #{id} AND bytes = #{start}")
    int advance(String id, long start, int length);

    @Select("SELECT start, length FROM arrived_part WHERE arriving_id = #{id} ORDER BY start")
    List<Part> parts(String id);

    /** 0 when another request has it, or there is none. */
    @Update("UPDATE arriving SET locked_by = #{lock}, locked_until = " + IN_A_MINUTE
            + " WHERE id = #{id} AND (locked_by IS NULL OR locked_until < CURRENT_TIMESTAMP(3))")
    int lock(String id, String lock);

    @Update("UPDATE arriving SET locked_by = NULL WHERE id = #{id} AND locked_by = #{lock}")
    void unlock(String id, String lock);

    @Select(
            "SELECT COUNT(*) > 0 FROM arriving WHERE id = #{id} AND locked_by IS NOT NULL AND locked_until > CURRENT_TIMESTAMP(3)")
    boolean isLocked(String id);

    @Select("SELECT id FROM arriving WHERE expires_at < CURRENT_TIMESTAMP(3)")
    List<String> expired();

    @Delete("DELETE FROM arrived_part WHERE arriving_id = #{id}")
    void deleteParts(String id);

    @Delete("DELETE FROM arriving WHERE id = #{id}")
    int delete(String id);
}
