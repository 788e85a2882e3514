import { Command, CommanderError, Option } from 'commander';
import { reports } from '../core/inspect/index.ts';
import { endingsInWords, KitError } from '../core/kits/index.ts';
import { messageOf } from '../core/words/index.ts';
import { DiskProblem, shown } from '../disk/index.ts';
import { build, type BuildCommandOptions } from './commands/build.ts';
import { check, type CheckOptions } from './commands/check.ts';
import { checkKits, type KitCheckOptions } from './commands/kit.ts';
import { model, type ModelOptions } from './commands/model.ts';
import { sheet, type SheetOptions } from './commands/sheet.ts';
import { takeOverPack, type TakeOverOptions } from './commands/take-over.ts';
import { tryMod, type TryOptions } from './commands/try.ts';
import type { BackupOptions, RestoreOptions } from './commands/backup.ts';
import type { ServeOptions } from './commands/serve.ts';

const program = new Command('obrank')
  .description(
    'Declare custom blocks for voxel games and prove them consistent before the game is started.',
  )
  .exitOverride()
  .showHelpAfterError('(obrank --help lists the commands)');

/** An option that may be given several times. */
const also = (value: string, before: readonly string[]): string[] => [...before, value];

const run =
  <O>(command: (target: string, options: O) => Promise<number>) =>
  async (target: string, options: O) => {
    process.exitCode = await command(target, options);
  };

program
  .command('check')
  .description(`Check a mod folder, a pack folder or a file that ends in ${endingsInWords}.`)
  .argument('<path>', 'mod folder, pack folder or built file')
  .addOption(
    new Option('--format <format>', 'how findings are printed')
      .choices(Object.keys(reports))
      .default('text'),
  )
  .option('--max-warnings <number>', 'exit with 1 for more warnings than this')
  .option(
    '--rule <id=gravity>',
    'off, hint, warning or error for a rule (may be repeated)',
    also,
    [],
  )
  .option('--only <ids>', 'these rules alone, with commas between them')
  .option(
    '--beside <path>',
    'another mod or pack that is loaded with it (may be repeated)',
    also,
    [],
  )
  .option('--baseline <file>', 'an earlier report in JSON: print only what is new')
  .option('--fix', 'mend in the files what is safe to mend, and tell the rest')
  .option('--watch', 'check again whenever a file changes, until Ctrl C')
  .action(run<CheckOptions>(check));
program
  .command('build')
  .description('Build a mod folder into a pack.')
  .argument('<mod>', 'mod folder')
  .requiredOption('--out <path>', `folder, or file that ends in ${endingsInWords}`)
  .option('--kit <name>', 'the kit to build for, where not the one that the mod asks first')
  .option('--each', 'build for each kit of the mod, into a folder under its name')
  .option('--mine <file>', 'a built file that stays as it stands (may be repeated)', also, [])
  .option('--overwrite', 'let everything be as it is built, whatever was changed by hand')
  .option(
    '--into',
    'into a pack that somebody else made: lists and groups of both are put together',
  )
  .option('--block <name>', 'build only this block and those before it (may be repeated)', also, [])
  .option('--watch', 'build again whenever the mod changes, until Ctrl C')
  .action(run<BuildCommandOptions>(build));
program
  .command('take-over')
  .description('Make a mod folder out of a pack that was written by hand.')
  .argument('<pack>', `pack folder, or file that ends in ${endingsInWords}`)
  .requiredOption('--out <folder>', 'a folder that is not there yet')
  .option('--namespace <name>', 'the namespace of the mod, where it is to be another')
  .option('--as-written', 'leave rows and what is usual as they were written')
  .action(run<TakeOverOptions>(takeOverPack));
program
  .command('sheet')
  .description('Draw every state of a block, or every block of a mod, as one PNG.')
  .argument('<mod>', 'mod folder')
  .requiredOption('--out <file>', 'file that ends in .png')
  .option('--block <name>', 'one block: all of its states')
  .option('--size <pixels>', 'side of one picture', '64')
  .option('--columns <number>', 'pictures in a row (chosen from the properties when left out)')
  .option('--tick <number>', 'the moment that animated textures show, in ticks', '0')
  .option('--against <file>', 'an earlier sheet: mark what differs, exit with 1 if anything does')
  .option('--overwrite', 'replace the file if it is there')
  .action(run<SheetOptions>(sheet));
program
  .command('model')
  .description('Write a block in one state as a model for other programs: glTF 2.0 or OBJ.')
  .argument('<mod>', 'mod folder')
  .requiredOption('--block <name>', 'the block')
  .requiredOption('--out <file>', 'file that ends in .glb or in .obj')
  .option('--state <values>', 'such as lit=true,heading=north (what is left out has its default)')
  .option('--overwrite', 'replace files that are there')
  .action(run<ModelOptions>(model));
program
  .command('try')
  .description(
    'Try a pack, or a mod as it is built, block by block; or ask a real engine about it.',
  )
  .argument('<pack>', `mod folder, pack folder, or file that ends in ${endingsInWords}`)
  .option('--report <folder>', 'leave the walk as a page and as data')
  .option('--against <walk.json>', 'tell what came out otherwise than on that walk')
  .option('--replay <run.json>', 'play a run again that was saved in the Yard, in place of a walk')
  .option('--engine', 'ask the engine: every block, state, drop, time, recipe and name')
  .option('--gallery <folder>', 'leave a world of the engine in which every block stands')
  .option('--picture <file>', 'photograph that world: a file that ends in .png')
  .option('--overwrite', 'replace the picture or the report if it is there')
  .action(run<TryOptions>(tryMod));
program
  .command('kit')
  .description('Kits that people write.')
  .command('check')
  .description('Check what a kit writes for a mod, and whether that is what is expected.')
  .argument('<folder>', 'folder of a kit, or of a mod that keeps kits')
  .option('--with <mod>', 'the mod folder that the kit is checked with')
  .option(
    '--expect <file>',
    'keep what is written there as what is expected from now on (may be repeated)',
    also,
    [],
  )
  .option('--watch', 'check again whenever a file changes, until Ctrl C')
  .action(run<KitCheckOptions>(checkKits));
program
  .command('serve')
  .description('Start the application on this machine.')
  .argument('[mod]', 'mod folder to open: it and the page stay alike from then on')
  .option('--port <number>', 'port (or OBRANK_PORT)')
  .option('--data <folder>', 'folder of the database (or OBRANK_DATA)')
  .action(async (folder: string | undefined, options: ServeOptions) => {
    // The server brings the database and much else along, which no other command waits for.
    const { serve } = await import('./commands/serve.ts');
    process.exitCode = await serve(folder, options);
  });

program
  .command('backup')
  .description('Copy all mods with their history into one file, also while the application runs.')
  .requiredOption('--out <file>', 'a file that is not there yet')
  .option('--data <folder>', 'folder of the database (or OBRANK_DATA)')
  .option('--overwrite', 'replace the file if it is there')
  .action(async (options: BackupOptions) => {
    const { backup } = await import('./commands/backup.ts');
    process.exitCode = await backup(options);
  });
program
  .command('restore')
  .description('Put a backup in the place of the mods of a data folder, which are kept beside it.')
  .argument('<file>', 'a file that obrank backup has written')
  .option('--data <folder>', 'folder of the database (or OBRANK_DATA)')
  .action(async (file: string, options: RestoreOptions) => {
    const { restore } = await import('./commands/backup.ts');
    process.exitCode = await restore(file, options);
  });

/** Exit codes: 0 nothing wrong, 1 findings of severity error, 2 wrong use. */
export async function main(args: readonly string[]): Promise<void> {
  try {
    await program.parseAsync(args, { from: 'user' });
  } catch (error) {
    if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : 2;
    else if (error instanceof DiskProblem || error instanceof KitError) {
      console.error(error.message);
      process.exitCode = 2;
    } else {
      const message = messageOf(error);
      console.error(
        `Obrank failed for a reason that nobody foresaw: ${shown(message)}. OBRANK_LOG=debug ` +
          'shows where.',
      );
      if (process.env['OBRANK_LOG'] === 'debug') console.error((error as Error).stack);
      process.exitCode = 2;
    }
  }
}
