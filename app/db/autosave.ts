import type { Piece } from '#core/piece'
import type { PieceRecord } from './index'

export type Saved =
  | { readonly ok: true; readonly revision: number }
  /** Another tab saved in between, or threw the piece away: nothing was written. */
  | { readonly ok: false; readonly current: PieceRecord | null }

/** How a piece stands: written, waiting to be, or waiting because it could not be. */
export type Keeping = 'saved' | 'waiting' | 'failing'

export interface KeeperOptions {
  /** @param written the piece as it was written last */
  save(piece: Piece, revision: number, written: Piece): Promise<Saved>
  /** Puts the piece where it can be written at once. */
  rescue(piece: Piece, revision: number): boolean
  forget(id: string): void
  /** A piece of its own made of one that another tab changed or threw away. */
  apart(piece: Piece): Promise<Piece>
  onState(state: Keeping): void
  /** It could not be written; told once until it is written again. */
  onFail(error: unknown): void
  onRecovered(): void
  /** The piece goes on as a copy: the other tab's version is what is kept under its old id, or null when it is gone. */
  onApart(copy: Piece, other: PieceRecord | null): void
  /** After an edit it waits so long for the next before it writes, and at most so long in all, ms. */
  quiet?: number
  longest?: number
  /** Pauses before it tries again, ms; the last one repeats. */
  pauses?: readonly number[]
}

/**
 * Keeps one piece written. Every edit is written soon; a write that fails is tried again with growing pauses and
 * never stands in the way of the next; nothing that was put in is dropped, also when another tab writes the same piece.
 */
export class Keeper {
  private readonly options: Required<KeeperOptions>
  private timer: ReturnType<typeof setTimeout> | undefined
  /** When the first edit that is not written came in. */
  private since = 0
  private writing: Promise<void> | null = null
  private written: Piece
  private failures = 0

  constructor(
    public piece: Piece,
    public revision: number,
    options: KeeperOptions,
  ) {
    this.options = { quiet: 120, longest: 300, pauses: [1000, 2000, 4000, 8000, 16_000, 30_000], ...options }
    this.written = piece
  }

  get state(): Keeping {
    return this.piece === this.written ? 'saved' : this.failures ? 'failing' : 'waiting'
  }

  /** Takes the piece as it is after an edit. */
  put(piece: Piece): void {
    if (this.piece === this.written) this.since = Date.now()
    this.piece = piece
    this.options.onState(this.state)
    if (this.failures) this.rescue()
    else this.soon()
  }

  /** Takes what another tab wrote, when nothing of one's own waits. */
  follow({ piece, revision }: PieceRecord): boolean {
    if (this.state !== 'saved' || revision <= this.revision) return false
    this.revision = revision
    this.written = piece
    this.piece = piece
    return true
  }

  /** Writes all that waits now. @returns whether all is written; what is not is tried again later */
  async flush(): Promise<boolean> {
    await this.writing
    for (;;) {
      if (this.state === 'saved') return true
      const { failures } = this
      await this.write()
      if (this.failures > failures) return false
    }
  }

  /** Puts what waits where it survives the page, if anything waits. @returns whether it could */
  rescue(): boolean {
    return this.state === 'saved' || this.options.rescue(this.piece, this.revision)
  }

  private schedule(ms: number): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => {
      void this.write()
    }, ms)
  }

  private soon(): void {
    this.schedule(Math.max(0, Math.min(this.options.quiet, this.since + this.options.longest - Date.now())))
  }

  private write(): Promise<void> {
    clearTimeout(this.timer)
    this.writing ??= this.writeOnce().finally(() => {
      this.writing = null
    })
    return this.writing
  }

  private async writeOnce(): Promise<void> {
    const mine = this.piece
    const since = Date.now()
    try {
      const saved = await this.options.save(mine, this.revision, this.written)
      if (saved.ok) {
        this.revision = saved.revision
        this.written = mine
        this.since = since
        this.options.forget(mine.id)
        if (this.failures) this.options.onRecovered()
        this.failures = 0
      } else {
        await this.goApart(saved.current)
      }
      this.options.onState(this.state)
      if (this.state !== 'saved') this.soon()
    } catch (error) {
      const { pauses } = this.options
      const pause = pauses[Math.min(this.failures, pauses.length - 1)]!
      this.failures += 1
      this.options.onState(this.state)
      this.rescue()
      if (this.failures === 1) this.options.onFail(error)
      this.schedule(pause)
    }
  }

  /** Another tab was first: what is typed here, up to this moment, goes on as a piece of its own. */
  private async goApart(other: PieceRecord | null): Promise<void> {
    const { id } = this.piece
    const apart = await this.options.apart(this.piece)
    // What was typed while the copy got its name is in it as well.
    this.piece = { ...this.piece, id: apart.id, brief: { ...this.piece.brief, name: apart.brief.name } }
    this.revision = 0
    this.options.forget(id)
    this.options.onApart(this.piece, other)
  }
}
