// A field above a list of the shelf: Down goes into the list and hears its first row, Up comes back, and what is
// typed in the list goes on here.
#pragma once

class QLineEdit;

namespace app {

class ShelfList;

// Enter in the field brings in what is heard, or hears the first row where nothing is.
void joinSearch(QLineEdit* field, ShelfList* list);

} // namespace app
