package apodex.server.briefs;

import apodex.handoff.Brief;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface BriefMapper {
    record StoredBrief(String id, Brief brief) {}

    @Select("SELECT id, brief FROM brief ORDER BY created_at, id")
    List<StoredBrief> all();

    @Select("SELECT id, brief FROM brief WHERE id = #{id}")
    StoredBrief find(String id);

    @Insert("INSERT INTO brief (id, owner_id, brief) VALUES (#{id}, 'local', #{brief})")
    void insert(String id, Brief brief);

    @Update("UPDATE brief SET brief = #{brief} WHERE id = #{id}")
    int update(String id, Brief brief);

    @Delete("DELETE FROM brief WHERE id = #{id}")
    int delete(String id);

    @Select("SELECT usual_brief FROM owner WHERE id = 'local'")
    String usual();

    @Update("UPDATE owner SET usual_brief = #{id} WHERE id = 'local'")
    void makeUsual(String id);
}
