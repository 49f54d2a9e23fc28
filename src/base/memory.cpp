#include "base/memory.h"

#include <malloc.h>

namespace base {

void giveBackLargePieces() {
    mallopt(M_MMAP_THRESHOLD, 128 << 10);
}

} // namespace base
