#include "app/session/task.h"

#include <QMetaObject>
#include <cmath>
#include <memory>

namespace app {

Task::~Task() {
    cancel();
}

void Task::cancel() {
    thread_.request_stop();
}

void Task::begin(const QString& what, std::function<Finish(const base::Progress&)> work) {
    Q_ASSERT(!running_);
    what_ = what;
    running_ = true;
    emit runningChanged(true);
    thread_ = std::jthread([this, work = std::move(work)](const std::stop_token& stop) {
        double told = -1;
        const auto report = [this, told](double fraction) mutable {
            if (std::abs(fraction - told) < 0.005) return; // a queued call each is not free
            told = fraction;
            QMetaObject::invokeMethod(this, [this, fraction] { emit progressed(fraction); });
        };
        Finish finish = work({report, stop});
        QMetaObject::invokeMethod(this, [this, finish = std::move(finish)] {
            running_ = false;
            finish();
            if (!running_) emit runningChanged(false);
        });
    });
}

} // namespace app
