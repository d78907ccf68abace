/* Wakes behaviours on the page, and again on what replaces it. */
import { wake } from "./behaviour.js";
import "./zone.js";
import "./look.js";
import "./live.js";
import "./keys.js";
import "./dialog.js";
import "./plate.js";
import "./table.js";
import "./tree.js";
import "./preview.js";
import "./laid.js";
import "./try.js";
import "./pick.js";
import "./clock.js";
import "./desk.js";
import "./rest.js";
import "./stroke.js";
import "./poll.js";
import "./drag.js";
import "./blazon.js";
import "./hand.js";
import "./turntable.js";
import "./site.js";
import "./drop.js";
import "./scrolled.js";
import "./find.js";

wake(document);
