package apodex.server.briefs;

import apodex.handoff.Brief;
import jakarta.annotation.Nullable;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface BriefMapper {
    /** @param own whether it is whose is asked about */
    record StoredBrief(String id, Brief brief, boolean shared, boolean own) {}

    /** @param person who has or sees them; null for all */
    @Select(
            """
            SELECT id, brief, shared, #{person} IS NULL OR owner_id = #{person} AS own FROM brief
            WHERE #{person} IS NULL OR owner_id = #{person} OR shared ORDER BY created_at, id""")
    List<StoredBrief> seenBy(@Nullable String person);

    @Update("UPDATE brief SET shared = #{shared} WHERE id = #{id}")
    void share(String id, boolean shared);

    @Insert("INSERT INTO brief (id, owner_id, brief) VALUES (#{id}, #{ownerId}, #{brief})")
    void insert(String id, String ownerId, Brief brief);

    @Update("UPDATE brief SET brief = #{brief} WHERE id = #{id}")
    int update(String id, Brief brief);

    @Delete("DELETE FROM brief WHERE id = #{id}")
    int delete(String id);

    @Select("SELECT usual_brief FROM owner WHERE id = #{ownerId}")
    String usual(String ownerId);

    @Update("UPDATE owner SET usual_brief = #{id} WHERE id = #{ownerId}")
    void makeUsual(String ownerId, String id);
}
