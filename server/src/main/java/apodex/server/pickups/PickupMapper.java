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
    String COLUMNS = "id, run_id, token_sealed AS sealed, phrase, message, mail, created_at, ends_at, withdrawn";

    /**
     * A link.
     *
     * @param sealed its token, for whoever has the key of the house
     * @param phrase hash of the pass phrase; null for none
     * @param mail   where it was sent; empty for nowhere
     */
    record Pickup(
            String id,
            String runId,
            String sealed,
            @Nullable String phrase,
            String message,
            String mail,
            Instant createdAt,
            Instant endsAt,
            boolean withdrawn) {}

    record Event(EventKind kind, String words, Instant at) {}

    @Insert(
            """
            INSERT INTO pickup (id, run_id, owner_id, token_hash, token_sealed, phrase, message, mail, ends_at)
            VALUES (#{pickup.id}, #{pickup.runId}, #{ownerId}, #{hash}, #{pickup.sealed}, #{pickup.phrase},
                    #{pickup.message}, #{pickup.mail}, #{pickup.endsAt})""")
    void insert(Pickup pickup, String ownerId, String hash);

    @Select("SELECT " + COLUMNS + " FROM pickup WHERE id = #{id}")
    Pickup find(String id);

    @Select("SELECT " + COLUMNS + " FROM pickup WHERE token_hash = #{hash} AND run_id IN (SELECT id FROM live_run)")
    Pickup byHash(String hash);

    /** A token that was kept in the clear, as earlier versions did. */
    record Clear(String id, String token) {}

    @Select("SELECT id, token FROM pickup WHERE token IS NOT NULL")
    List<Clear> clear();

    @Update("UPDATE pickup SET token = NULL, token_hash = #{hash}, token_sealed = #{sealed} WHERE id = #{id}")
    void seal(String id, String hash, String sealed);

    /** Whom news of a link reach: whoever made it. */
    @Select("SELECT o.mail FROM pickup p JOIN owner o ON o.id = p.owner_id WHERE p.id = #{pickupId}")
    String ownersMail(String pickupId);

    @Select("SELECT owner_id FROM pickup WHERE id = #{pickupId}")
    String ownerOf(String pickupId);

    @Select("SELECT " + COLUMNS + " FROM pickup WHERE run_id = #{runId} ORDER BY created_at DESC, id")
    List<Pickup> ofRun(String runId);

    @Update("UPDATE pickup SET withdrawn = TRUE WHERE id = #{id}")
    void withdraw(String id);

    @Insert("INSERT INTO pickup_event (pickup_id, kind, words) VALUES (#{pickupId}, #{kind}, #{words})")
    void tell(String pickupId, EventKind kind, String words);

    @Select("SELECT kind, words, at FROM pickup_event WHERE pickup_id = #{pickupId} ORDER BY id DESC LIMIT 200")
    List<Event> events(String pickupId);

    /** Nothing where the same happened since. 1 when it was kept. */
    @Insert(
            """
            INSERT INTO pickup_event (pickup_id, kind, words)
            SELECT #{pickupId}, #{kind}, #{words} FROM DUAL WHERE NOT EXISTS
                (SELECT 1 FROM pickup_event WHERE pickup_id = #{pickupId} AND kind = #{kind} AND words = #{words} AND at > #{since})""")
    int tellOnce(String pickupId, EventKind kind, String words, Instant since);

    @Select("SELECT COUNT(*) FROM pickup_event WHERE pickup_id = #{pickupId} AND kind = #{kind}")
    int count(String pickupId, EventKind kind);
}
