package apodex.server.phrases;

import jakarta.annotation.Nullable;
import java.time.Instant;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Tries of pass phrases, by door and by where they come from. */
@Mapper
interface PhraseTryMapper {
    @Insert("INSERT IGNORE INTO phrase_try (door, address) VALUES (#{door}, #{address})")
    void begin(String door, String address);

    /**
     * Takes a try, in one statement: of many at once no more are counted than are allowed. The wait is set before {@code tries} counts
     * up, since assignments are made from left to right.
     *
     * @param free        tries that cost no wait
     * @param longestWait in seconds
     * @return 1 when it may be judged; 0 while whoever makes it has to wait
     */
    @Update(
            """
            UPDATE phrase_try
            SET blocked_until = IF(tries + 1 < #{free}, NULL,
                    TIMESTAMPADD(SECOND, LEAST(#{longestWait}, POW(2, LEAST(20, tries + 2 - #{free}))), #{now})),
                tries = tries + 1, last_at = #{now}
            WHERE door = #{door} AND address = #{address}
              AND (blocked_until IS NULL OR blocked_until <= #{now})""")
    int take(String door, String address, int free, long longestWait, Instant now);

    @Select("SELECT blocked_until FROM phrase_try WHERE door = #{door} AND address = #{address}")
    @Nullable
    Instant blockedUntil(String door, String address);

    @Update(
            "UPDATE phrase_try SET tries = GREATEST(0, tries - 1), blocked_until = NULL WHERE door = #{door} AND address = #{address}")
    void giveBack(String door, String address);

    @Delete("DELETE FROM phrase_try WHERE last_at < #{before}")
    void forgetOld(Instant before);

    @Delete("DELETE FROM phrase_try WHERE door = #{door} AND address = #{address}")
    void forget(String door, String address);
}
