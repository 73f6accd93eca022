import { dirname, relative, resolve, sep } from 'node:path';
import { type Finding, finding } from '../core/text/finding.ts';
import { inPlace } from './own.ts';
import { contains, isHiddenName, realPlace } from './paths.ts';
import type { OpenPlan } from './plan.ts';

/** What is wrong with the folders of a plan. The output may lie in a site that is the plan's own folder. */
export function folderFindings({ file, folder, source }: OpenPlan, output: string, site: string): Finding[] {
  if (output === inPlace) return [];
  const root = realPlace(site);
  const target = realPlace(resolve(folder, output));
  const plan = realPlace(file);
  const way = relative(folder, resolve(folder, output))
    .split(sep)
    .filter(one => one !== '..');
  const wrong =
    root === target
      ? `the output \`${output}\` is the site itself`
      : contains(target, root)
        ? `the site lies in the output \`${output}\``
        : contains(target, plan)
          ? `the plan lies in the output \`${output}\``
          : contains(root, target) && root !== realPlace(dirname(file))
            ? `the output \`${output}\` lies in the site`
            : way.some(isHiddenName)
              ? `the output \`${output}\` lies in a hidden folder`
              : null;
  const remedy = 'Name another folder, for example  output: built';
  return wrong === null ? [] : [finding('same-folder', { file: source.file }, wrong, remedy)];
}
