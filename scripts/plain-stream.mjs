// Stands for node:stream where the parser of tags is bundled: it is given a text, and read as it is written.
export class Transform {
  #listeners = new Map();

  on(name, listener) {
    this.#listeners.set(name, [...(this.#listeners.get(name) ?? []), listener]);
    return this;
  }

  listenerCount(name) {
    return this.#listeners.get(name)?.length ?? 0;
  }

  emit(name, ...facts) {
    for (const listener of this.#listeners.get(name) ?? []) listener.apply(this, facts);
  }

  pipe() {}

  end(text) {
    const fail = (fault) => {
      if (fault) throw fault;
    };
    this._transform(text, 'utf8', fail);
    this._final(fail);
  }
}

export class Writable {}
