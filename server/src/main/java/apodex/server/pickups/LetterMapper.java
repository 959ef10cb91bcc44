package apodex.server.pickups;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Messages on their way. */
@Mapper
interface LetterMapper {
    record Letter(long id, String pickupId, LetterKind kind, String words, int attempts) {}

    @Insert("INSERT INTO letter (pickup_id, kind, words) VALUES (#{pickupId}, #{kind}, #{words})")
    void post(String pickupId, LetterKind kind, String words);

    @Select("SELECT id, pickup_id, kind, words, attempts FROM letter WHERE due <= #{now} ORDER BY id LIMIT 20")
    List<Letter> due(Instant now);

    /** 0 when another server has it in hand. */
    @Update(
            "UPDATE letter SET attempts = attempts + 1, due = #{again} WHERE id = #{letter.id} AND attempts = #{letter.attempts}")
    int take(Letter letter, Instant again);

    @Delete("DELETE FROM letter WHERE id = #{id}")
    void delete(long id);
}
