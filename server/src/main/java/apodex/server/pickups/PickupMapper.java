package apodex.server.pickups;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface PickupMapper {
    String COLUMNS = "id, run_id, token, phrase, message, created_at, ends_at, withdrawn";

    /** @param phrase hash of the pass phrase; null for none */
    record Pickup(
            String id,
            String runId,
            String token,
            @Nullable String phrase,
            String message,
            Instant createdAt,
            Instant endsAt,
            boolean withdrawn) {}

    record Event(EventKind kind, String words, Instant at) {}

    @Insert(
            """
            INSERT INTO pickup (id, run_id, owner_id, token, phrase, message, ends_at)
            VALUES (#{id}, #{runId}, 'local', #{token}, #{phrase}, #{message}, #{endsAt})""")
    void insert(String id, String runId, String token, @Nullable String phrase, String message, Instant endsAt);

    @Select("SELECT " + COLUMNS + " FROM pickup WHERE id = #{id}")
    Pickup find(String id);

    @Select("SELECT " + COLUMNS + " FROM pickup WHERE token = #{token}")
    Pickup byToken(String token);

    @Select("SELECT " + COLUMNS + " FROM pickup WHERE run_id = #{runId} ORDER BY created_at DESC, id")
    List<Pickup> ofRun(String runId);

    @Update("UPDATE pickup SET withdrawn = TRUE WHERE id = #{id}")
    void withdraw(String id);

    @Insert("INSERT INTO pickup_event (pickup_id, kind, words) VALUES (#{pickupId}, #{kind}, #{words})")
    void tell(String pickupId, EventKind kind, String words);

    @Select("SELECT kind, words, at FROM pickup_event WHERE pickup_id = #{pickupId} ORDER BY id DESC LIMIT 200")
    List<Event> events(String pickupId);

    @Select("SELECT COUNT(*) FROM pickup_event WHERE pickup_id = #{pickupId} AND kind = #{kind}")
    int count(String pickupId, EventKind kind);
}
