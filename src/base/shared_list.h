// A list that its copies share, so that copying it costs nothing and most comparisons cost one.
#pragma once

#include <initializer_list>
#include <memory>
#include <utility>
#include <vector>

namespace base {

// A value: what is done to one copy is not seen in another. Reading is as of a const std::vector. Any thread.
template <class T>
class SharedList {
  public:
    using value_type = T;
    SharedList() = default;
    SharedList(std::initializer_list<T> list) : SharedList(std::vector<T>(list)) {}
    SharedList(std::vector<T> list) : list_(std::make_shared<const std::vector<T>>(std::move(list))) {}

    const std::vector<T>& list() const { return list_ ? *list_ : none(); }
    auto begin() const { return list().begin(); }
    auto end() const { return list().end(); }
    std::size_t size() const { return list().size(); }
    bool empty() const { return list().empty(); }
    const T& operator[](std::size_t i) const { return list()[i]; }
    const T& front() const { return list().front(); }
    const T& back() const { return list().back(); }

    // A list of its own, to be altered. Copies all of it: ask once for several alterations.
    std::vector<T>& altered() {
        auto own = std::make_shared<std::vector<T>>(list());
        std::vector<T>& all = *own;
        list_ = std::move(own);
        return all;
    }

    // Whether both are one and the same list: then they are equal, and it costs nothing to know.
    bool isSharedWith(const SharedList& other) const { return list_ == other.list_; }
    bool operator==(const SharedList& other) const { return isSharedWith(other) || list() == other.list(); }

  private:
    static const std::vector<T>& none() {
        static const std::vector<T> empty;
        return empty;
    }
    std::shared_ptr<const std::vector<T>> list_;
};

} // namespace base
