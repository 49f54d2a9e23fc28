#include "app/session/mailbox.h"

#include <utility>

namespace app {

void Mailbox::post(std::function<void()> what) {
    const std::lock_guard lock(mutex_);
    letters_.push_back(std::move(what));
    QMetaObject::invokeMethod(this, "takeIn", Qt::QueuedConnection);
}

void Mailbox::takeIn() {
    std::function<void()> letter;
    {
        const std::lock_guard lock(mutex_);
        letter = std::move(letters_.front());
        letters_.pop_front();
    }
    letter();
}

} // namespace app
