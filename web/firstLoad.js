import { relative } from 'node:path'

/** What is opened first, by the page which leads there. */
const FIRST = {
  'index.html': ['src/shell/Shell.tsx', 'src/week/WeekScreen.tsx', 'src/tunes/Tunes.tsx'],
  'learn.html': ['src/learn/LearnFrame.tsx', 'src/learn/LearnScreen.tsx'],
}

/** Types that are on every first screen: the rows and headings in them are measured when they are drawn. */
const TYPES = [/atkinson-hyperlegible-latin-[47]00-normal.*\.woff2$/, /fraunces-latin-wght-normal.*\.woff2$/]

/**
 * Makes a second page for learners, and names in each page the scripts and types of its first screen, so that a browser
 * asks for all of them at once and not for one after the other has come. Tells also which files a learner’s phone may
 * ever need.
 */
export function firstLoad() {
  let root
  /** @type {Set<string>} */
  const learners = new Set()
  return {
    /** @type {import('vite').Plugin} */
    plugin: {
      name: 'first-load',
      enforce: 'post',
      configResolved(config) {
        root = config.root
      },
      generateBundle(_, bundle) {
        const chunks = Object.values(bundle).filter((file) => file.type === 'chunk')
        const chunkOf = (source) => {
          const found = chunks.find((c) => c.moduleIds.some((id) => relative(root, id) === source))
          if (!found) throw new Error(`${source} is in no script of the bundle.`)
          return found
        }
        const withImports = (chunk, ways, found = new Set()) => {
          if (found.has(chunk.fileName)) return found
          found.add(chunk.fileName)
          for (const name of ways.flatMap((way) => chunk[way]))
            if (bundle[name]?.type === 'chunk') withImports(bundle[name], ways, found)
          return found
        }
        const page = bundle['index.html']
        const plain = String(page.source)
        const here = (name) => plain.includes(`"/${name}"`)
        const types = Object.keys(bundle).filter((name) => TYPES.some((type) => type.test(name)))
        const pageOf = (sources) => {
          const scripts = new Set(sources.flatMap((source) => [...withImports(chunkOf(source), ['imports'])]))
          const links = [
            ...[...scripts]
              .filter((name) => !here(name))
              .map((name) => `<link rel="modulepreload" crossorigin href="/${name}">`),
            ...types.map((name) => `<link rel="preload" as="font" type="font/woff2" crossorigin href="/${name}">`),
          ]
          return plain.replace('</head>', `  ${links.join('\n    ')}\n  </head>`)
        }
        for (const [fileName, sources] of Object.entries(FIRST)) {
          const source = pageOf(sources)
          if (fileName === page.fileName) page.source = source
          else this.emitFile({ type: 'asset', fileName, source })
        }
        // The entry knows all screens; a learner opens those of one folder, and what these may ask for.
        const entry = chunks.find((c) => c.isEntry)
        withImports(entry, ['imports'], learners)
        for (const chunk of chunks)
          if (
            chunk.moduleIds.some(
              (id) => relative(root, id).startsWith('src/learn/') || id.includes('engraving/engraver'),
            )
          )
            withImports(chunk, ['imports', 'dynamicImports'], learners)
      },
    },
    /** Whether a learner’s phone may need a file: all but scripts that only a teacher’s screens are made of. */
    isLearners: (name) => !name.endsWith('.js') || name.includes('worker') || learners.has(name),
  }
}
