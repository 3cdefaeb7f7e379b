import { help } from "../../../help/books";
import { framed } from "../../../ui/frame/framed";
import { BooksShell } from "../books-shell";
import { SampleBook } from "../sample-book";

export default framed("books", null, help, (props) => (
	<BooksShell view={props.view} book="samples">
		<SampleBook {...props} />
	</BooksShell>
));
