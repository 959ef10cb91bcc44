package apodex.server.intakes;

import apodex.intake.ClipListForm;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface ClipListFormMapper {
    /** The later one holds. */
    @Insert(
            """
            REPLACE INTO clip_list_form (headings, owner_id, name, form)
            VALUES (SHA2(#{headings}, 256), #{ownerId}, #{headings}, #{form})""")
    void keep(String ownerId, String headings, ClipListForm form);

    /** @param name the headings, as {@link ClipListForm#key} joins them */
    record Kept(String name, ClipListForm form) {}

    @Select("SELECT name, form FROM clip_list_form WHERE owner_id = #{ownerId}")
    List<Kept> of(String ownerId);
}
