/** Two `.tgz` in `folder`, from what is built; their paths by package. */
export function pack(folder: string): Promise<Record<'lyvek' | '@lyvek/runtime', string>>;
