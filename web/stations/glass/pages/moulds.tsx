import { help } from "../../../help/books";
import { framed } from "../../../ui/frame/framed";
import { BooksShell } from "../books-shell";
import { MouldBook } from "../mould-book";

export default framed("books", null, help, (props) => (
	<BooksShell view={props.view} book="moulds">
		<MouldBook {...props} />
	</BooksShell>
));
