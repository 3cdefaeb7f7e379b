import { help } from "../../../help/books";
import { framed } from "../../../ui/frame/framed";
import { BooksShell } from "../books-shell";
import { GlassShelf } from "../glass-shelf";

export default framed("books", null, help, (props) => (
	<BooksShell view={props.view} book="glass">
		<GlassShelf {...props} />
	</BooksShell>
));
