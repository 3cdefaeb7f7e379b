import { help } from "../../../help/books";
import { framed } from "../../../ui/frame/framed";
import { BooksShell } from "../books-shell";
import { FamilyBook } from "../family-book";

export default framed("books", null, help, (props) => (
	<BooksShell view={props.view} book="families">
		<FamilyBook {...props} />
	</BooksShell>
));
